<script setup lang="ts">
import { useQueries } from '@tanstack/vue-query'
import { computed } from 'vue'
import { Refused } from '../../api/client'
import { language, say } from '../../i18n'
import { keyOfClient } from '../../stores/answers'
import { useClient } from '../../stores/client'

const client = useClient()
const VIEWS = ['side', 'front', 'above'] as const
const drawn = useQueries({
  queries: computed(() =>
    VIEWS.map((view) => ({
      queryKey: [...keyOfClient(client.id), client.view?.revision, 'ranges', view, language()],
      queryFn: () => drawing(client.id, view),
    })),
  ),
})
const drawings = computed<Record<string, string>>(() => Object.fromEntries(VIEWS.map((view, i) => [view, drawn.value[i].data ?? ''])))
async function drawing(of: string, view: string): Promise<string> {
  const answer = await fetch(`/api/v1/clients/${of}/ranges/${view}`, { headers: { 'Accept-Language': language() } })
  if (!answer.ok) throw new Refused(answer.status, 'No picture', '')
  return answer.text()
}
</script>

<template>
  <div class="views">
    <figure v-for="view in VIEWS" :key="view" :class="view">
      <div class="drawing" v-html="drawings[view] ?? ''" />
      <figcaption class="soft small">{{ say(`limits.${view}`) }}</figcaption>
    </figure>
    <table class="numbers">
      <thead>
        <tr>
          <th>{{ say('limits.what') }}</th>
          <th>{{ say('limits.available') }}</th>
          <th>{{ say('limits.unloaded') }}</th>
          <th>{{ say('limits.loaded') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in client.view!.ranges" :key="r.id">
          <td>{{ r.title }}</td>
          <td>{{ r.available }}°</td>
          <td>{{ r.free }}°</td>
          <td :class="{ tight: r.loaded < r.available }">{{ r.loaded }}°</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.views {
  display: grid;
  grid-template-columns: 1fr 1.15fr;
  gap: var(--space-2) var(--space-4);
  align-items: start;
}
figure {
  margin: 0;
  text-align: center;
}
.drawing {
  height: 330px;
}
.drawing :deep(svg) {
  width: 100%;
  height: 100%;
  overflow: hidden;
}
.above .drawing {
  height: 230px;
}
.numbers {
  border-collapse: collapse;
  width: 100%;
  font-size: var(--text-small);
}
.numbers th,
.numbers td {
  text-align: right;
  padding: 3px 10px;
  border-bottom: 1px solid var(--line);
}
.numbers th:first-child,
.numbers td:first-child {
  text-align: left;
}
.tight {
  font-weight: 700;
  color: var(--brick);
}
@media (max-width: 720px) {
  .views {
    grid-template-columns: minmax(0, 1fr);
  }
  .drawing {
    height: 260px;
  }
}
</style>
