<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { momentShown } from '../../i18n/days'
import { inWords } from '../../stores/answers'
import { useClient } from '../../stores/client'

/** Who saw and did what of this client; for whoever may read it. */
interface Trail {
  entries: { at: string; by: string; action: string; detail: string }[]
  older: number | null
}
const client = useClient()
const asked = useInfiniteQuery({
  queryKey: computed(() => ['audit', client.id]),
  queryFn: ({ pageParam }) =>
    got(http.GET('/api/v1/clients/{client_id}/audit', { params: { path: { client_id: client.id }, query: { skip: pageParam } } })),
  initialPageParam: 0,
  getNextPageParam: (last: Trail) => last.older ?? undefined,
  staleTime: 0,
})
const entries = computed(() => asked.data.value?.pages.flatMap((p) => p.entries) ?? [])
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h3>{{ say('audit.title') }}</h3>
      <a class="quiet-action" :href="`/api/v1/clients/${client.id}/audit.csv`" download="audit.csv">{{ say('audit.export') }}</a>
    </div>
    <p v-if="asked.error.value" role="alert">{{ inWords(asked.error.value) }}</p>
    <ol class="trail">
      <li v-for="(e, i) in entries" :key="i">
        <span class="soft small">{{ momentShown(e.at) }}</span> <b>{{ e.by }}</b> {{ e.action
        }}<span v-if="e.detail" class="soft small"> · {{ e.detail }}</span>
      </li>
    </ol>
    <button
      v-if="asked.hasNextPage.value"
      type="button"
      class="quiet-action"
      :disabled="asked.isFetching.value"
      @click="() => asked.fetchNextPage()"
    >
      {{ say('audit.older') }}
    </button>
  </div>
</template>

<style scoped>
.trail {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
</style>
