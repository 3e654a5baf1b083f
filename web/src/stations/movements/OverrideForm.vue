<script setup lang="ts">
import { computed, reactive } from 'vue'
import { got, http } from '../../api/client'
import type { Breach } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'

const props = defineProps<{ breach: Breach; step: string; side: string }>()
const emit = defineEmits<{ kept: [] }>()
const client = useClient()
const forbidden = computed(() => client.view!.screen.limits.find((l) => l.id === props.breach.limit)?.strength === 'forbidden')
const entry = reactive({ reason: '', expires_on: '' })
const session = useSession()
const allowed = computed(() => session.may(forbidden.value ? 'lift_forbidden' : 'override'))
/** The last day that the rules allow; then it is looked at again. */
const last = computed(() =>
  new Date(Date.parse(client.view!.case.as_of) + (session.reference?.longest_override_days ?? 0) * 864e5).toISOString().slice(0, 10),
)
const { busy, failed, attempt } = useAttempt()
const ready = computed(() => allowed.value && entry.reason.trim().length > 4 && entry.expires_on)

async function keep(): Promise<void> {
  const body = {
    base_revision: client.view!.revision,
    limit_id: props.breach.limit,
    step: props.step,
    side: props.side as 'left',
    ...entry,
  }
  const kept = await attempt(async () => {
    await got(http.POST('/api/v1/clients/{client_id}/overrides', { params: { path: { client_id: client.id } }, body }))
    await client.refresh()
  })
  if (kept) emit('kept')
}
</script>

<template>
  <form class="override stack" @submit.prevent="keep">
    <p>{{ say('override.lead', { limit: breach.says, side }) }}</p>
    <p v-if="forbidden" class="small">{{ say('override.forbidden') }}</p>
    <p v-else-if="!allowed" class="small">{{ say('override.notYours') }}</p>
    <label>{{ say('override.reason') }}<el-input v-model="entry.reason" maxlength="300" /></label>
    <label
      >{{ say('word.until') }}<input v-model="entry.expires_on" type="date" class="date" :min="client.view!.case.as_of" :max="last"
    /></label>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div>
      <button class="main-action" type="submit" :disabled="busy || !ready">{{ say('override.keep') }}</button>
    </div>
  </form>
</template>

<style scoped>
.override {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: var(--space-3) var(--space-4);
}
label {
  display: grid;
  gap: 4px;
}
.bad {
  color: var(--brick);
}
.date {
  min-height: 46px;
  border: 1px solid var(--el-border-color);
  border-radius: var(--round-small);
  padding: 0 12px;
  background: var(--paper);
}
</style>
