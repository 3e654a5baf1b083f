<script setup lang="ts">
import { ref, watch } from 'vue'
import type { HistoryEntry } from '../../api/types'
import { Refused } from '../../api/client'
import { say } from '../../i18n'
import type { MessageKey } from '../../i18n'
import { useClient } from '../../stores/client'

const client = useClient()
const entries = ref<HistoryEntry[]>()
const failed = ref('')
async function load(): Promise<void> {
  failed.value = ''
  try {
    entries.value = await client.history()
  } catch (error) {
    entries.value = undefined
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
}
watch(() => client.view?.revision, load, { immediate: true })
</script>

<template>
  <p v-if="failed" role="alert">{{ failed }} <button type="button" class="quiet-action" @click="load">{{ say('app.again') }}</button></p>
  <p v-else-if="!entries" class="soft">{{ say('app.loading') }}</p>
  <ol v-else class="history">
    <li v-for="e in entries" :key="e.revision"><b>{{ e.reason }}</b> <span class="soft small">{{ e.on.slice(0, 16).replace('T', ' ') }} · {{ e.by }}</span>
      <p v-for="m in e.limits" :key="m.id" class="small"><span class="tag">{{ say(`moved.${m.change}` as MessageKey) }}</span> {{ m.was }}<template v-if="m.change === 'moved'"> → </template>{{ m.says }}</p></li>
  </ol>
</template>

<style scoped>
.history { list-style: none; margin: 0; padding: 0; display: grid; gap: 12px; } .history li { border-left: 4px solid var(--line); padding-left: 12px; display: grid; gap: 4px; }
</style>
