<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { say } from '../i18n'
import { guide, ON_THE_WAY, stationAfter } from './guide'

/** What the station on screen is for and what to do there, in its place; for whoever is new it leads on to the next one. */
const props = defineProps<{ clientId: string }>()
const route = useRoute()
const here = computed(() => ON_THE_WAY.find((s) => s === route.name))
const next = computed(() => stationAfter(String(route.name)))
const words = (part: 'for' | 'do'): string => say(`guide.${here.value!}.${part}`)
</script>

<template>
  <aside v-if="here && guide === 'open'" class="guide" :aria-label="say('guide.open')">
    <p>
      <b>{{ say(`station.${here}`) }}</b>
      <span class="soft small">{{ say('guide.of', { n: ON_THE_WAY.indexOf(here) + 1, of: ON_THE_WAY.length }) }}</span>
      {{ words('for') }}
    </p>
    <p>{{ words('do') }}</p>
    <div class="row">
      <RouterLink v-if="next" class="quiet-action" :to="`/client/${props.clientId}/${next}`">{{
        say('guide.next', { station: say(`station.${next}`) })
      }}</RouterLink>
      <span v-else class="soft">{{ say('guide.end') }}</span>
      <button type="button" class="quiet-action" @click="guide = 'closed'">{{ say('guide.close') }}</button>
    </div>
  </aside>
</template>

<style scoped>
.guide {
  display: grid;
  gap: 6px;
  border: 1px solid var(--line);
  border-left: 6px solid var(--straw);
  border-radius: var(--round-small);
  background: var(--paper);
  padding: var(--space-3) var(--space-4);
  margin-bottom: var(--space-3);
}
.guide p {
  margin: 0;
  max-width: 78ch;
}
@media print {
  .guide {
    display: none;
  }
}
</style>
