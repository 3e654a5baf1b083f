<script setup lang="ts">
import { ref } from 'vue'
import { got, http, Refused } from '../../api/client'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import FilePick from '../../parts/FilePick.vue'
import LeftOut from '../../parts/LeftOut.vue'
import { readJson } from '../../parts/readFile'
import BroughtIn from './BroughtIn.vue'

/** A client from a file: one that was taken out of here or of another practice, a case, or a FHIR bundle. */
type Made = { id: string; left_out: { path: string; reason: string }[] }
const made = ref<Made>()
const unreadable = ref(false)
const refused = ref<{ path: string; reason: string }[]>([])
const { busy, failed, attempt } = useAttempt()

async function chosen(file: File): Promise<void> {
  made.value = undefined
  refused.value = []
  await attempt(() => bringIn(file))
}
async function bringIn(file: File): Promise<void> {
  const data = await readJson(file)
  unreadable.value = !data
  if (!data) return
  try {
    made.value = await kept(data)
  } catch (error) {
    if (error instanceof Refused) refused.value = error.faults
    throw error
  }
}
async function kept(data: Record<string, unknown>): Promise<Made> {
  if (data.resourceType === 'Bundle') return got(http.POST('/api/v1/client-bundles', { body: { bundle: data } }))
  if ('revisions' in data) return got(http.POST('/api/v1/client-files', { body: { file: data } }))
  return { ...(await got(http.POST('/api/v1/clients', { body: { case: data } }))), left_out: [] }
}
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say('exchange.fromFile') }}</h2>
    <p class="soft">{{ say('exchange.fromFileLead') }}</p>
    <div>
      <FilePick :title="say('exchange.choose')" accept=".json,application/json,application/fhir+json" :disabled="busy" @chosen="chosen" />
    </div>
    <p v-if="busy" role="status" class="soft">{{ say('app.loading') }}</p>
    <p v-if="unreadable" role="alert">{{ say('exchange.noJson') }}</p>
    <p v-if="failed && !refused.length" role="alert">{{ failed }}</p>
    <div v-if="refused.length" role="alert" class="stack">
      <p>{{ say('exchange.refused') }}</p>
      <LeftOut :faults="refused" bare />
    </div>
    <BroughtIn v-if="made" :client="made" />
  </section>
</template>
