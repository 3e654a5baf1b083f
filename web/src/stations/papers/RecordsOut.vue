<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import FilePick from '../../parts/FilePick.vue'
import LeftOut from '../../parts/LeftOut.vue'
import { useClient } from '../../stores/client'

/** What is kept of this client for other programs, and tests and visits that come from elsewhere as tables. */
const client = useClient()
const at = computed(() => `/api/v1/clients/${client.id}`)
const left = ref<{ path: string; reason: string }[]>([])
const taken = ref<number>()
const { busy, failed, attempt } = useAttempt()
const sent = ref(false)
const there = useQuery({ queryKey: ['referrer'], queryFn: () => got(http.GET('/api/v1/referrer')) })
const send = () =>
  attempt(async () => {
    sent.value = false
    await got(http.POST('/api/v1/clients/{client_id}/referrer', { params: { path: { client_id: client.id } } }))
    sent.value = true
  })

interface Taken {
  taken: number
  left_out: { path: string; reason: string }[]
}
const path = computed(() => ({ client_id: client.id }))
const testsOf = async (table: string): Promise<Taken> =>
  got(
    http.POST('/api/v1/clients/{client_id}/tables/tests', {
      params: { path: path.value },
      body: { base_revision: client.view!.revision, table },
    }),
  )
const visitsOf = async (table: string): Promise<Taken> =>
  got(http.POST('/api/v1/clients/{client_id}/tables/visits', { params: { path: path.value }, body: { table } }))

const chosen =
  (take: (table: string) => Promise<Taken>) =>
  async (file: File): Promise<void> => {
    taken.value = undefined
    await attempt(async () => {
      const found = await take(await file.text())
      left.value = found.left_out
      taken.value = found.taken
      await client.refresh()
    })
  }
</script>

<template>
  <details class="records">
    <summary>{{ say('exchange.title') }}</summary>
    <div class="stack inside">
      <p class="soft small">{{ say('exchange.lead') }}</p>
      <a class="quiet-action" :href="`${at}/file`" download="client.json">{{ say('exchange.file') }}</a>
      <a class="quiet-action" :href="`${at}/fhir`" download="client.fhir.json">{{ say('exchange.fhir') }}</a>
      <a class="quiet-action" :href="`${at}/tables/tests.csv`" download="tests.csv">{{ say('exchange.tests') }}</a>
      <a class="quiet-action" :href="`${at}/tables/visits.csv`" download="visits.csv">{{ say('exchange.visits') }}</a>
      <a class="quiet-action" href="/api/v1/tables/dictionary.csv" download="dictionary.csv">{{ say('exchange.dictionary') }}</a>
      <button v-if="there.data.value?.set_up" type="button" class="quiet-action" :disabled="busy" @click="send">
        {{ say('referrer.send') }}
      </button>
      <p v-if="sent" role="status">{{ say('referrer.sent') }}</p>
      <FilePick :title="say('exchange.testsIn')" accept=".csv,text/csv" :disabled="busy" @chosen="chosen(testsOf)($event)" />
      <FilePick :title="say('exchange.visitsIn')" accept=".csv,text/csv" :disabled="busy" @chosen="chosen(visitsOf)($event)" />
      <p v-if="failed" role="alert">{{ failed }}</p>
      <p v-if="taken !== undefined" role="status">{{ say('exchange.taken', { n: taken }) }}</p>
      <LeftOut :faults="left" />
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 44px;
  cursor: pointer;
  display: flex;
  align-items: center;
}
.inside {
  gap: 8px;
}
</style>
