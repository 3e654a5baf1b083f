<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { got, http, Refused } from '../../api/client'
import type { Breach, ClientView } from '../../api/types'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'

const props = defineProps<{ breach: Breach; step: string; side: string }>()
const emit = defineEmits<{ kept: [] }>()
const client = useClient()
const forbidden = computed(() => client.view!.screen.limits.find((l) => l.id === props.breach.limit)?.strength === 'forbidden')
const entry = reactive({ role: forbidden.value ? 'clinician' : 'specialist', clinician: '', reason: '', expires_on: '' })
const failed = ref('')
const ready = computed(() => entry.reason.length > 4 && entry.expires_on && (entry.role === 'specialist' || entry.clinician.length > 1))

async function keep(): Promise<void> {
  failed.value = ''
  try {
    const body = { base_revision: client.view!.revision, limit_id: props.breach.limit, step: props.step, side: props.side as 'left', ...entry }
    await got<ClientView>(http.POST('/api/v1/clients/{client_id}/overrides', { params: { path: { client_id: client.id } }, body }))
    await client.refresh()
    emit('kept')
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
}
</script>

<template>
  <form class="override stack" @submit.prevent="keep">
    <p>{{ say('override.lead', { limit: breach.says, side }) }}</p>
    <el-radio-group v-model="entry.role" :aria-label="say('override.who')"><el-radio-button value="specialist" :label="say('override.me')" :disabled="forbidden" /><el-radio-button value="clinician" :label="say('override.clinician')" /></el-radio-group>
    <p v-if="forbidden" class="small">{{ say('override.forbidden') }}</p>
    <label v-if="entry.role === 'clinician'">{{ say('word.name') }}<el-input v-model="entry.clinician" /></label>
    <label>{{ say('override.reason') }}<el-input v-model="entry.reason" maxlength="300" /></label>
    <label>{{ say('word.until') }}<input v-model="entry.expires_on" type="date" class="date" :min="client.view!.case.as_of" /></label>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div><button class="main-action" type="submit" :disabled="!ready">{{ say('override.keep') }}</button></div>
  </form>
</template>

<style scoped>
.override { background: var(--straw-wash); border-radius: var(--round-small); padding: var(--space-3) var(--space-4); } label { display: grid; gap: 4px; } .bad { color: var(--brick); }
.date { min-height: 46px; border: 1px solid var(--el-border-color); border-radius: var(--round-small); padding: 0 12px; background: var(--paper); }
</style>
