<script setup lang="ts">
import { computed } from 'vue'
import type { Limit, LimitEffects } from '../../api/schemas'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'
import { waiting } from './limitRows'

/** What nothing stands against but that nobody has seen it yet, and the test that would open it. */
const props = defineProps<{ limits: Limit[]; effect: (id: string) => LimitEffects['effects'][string] | undefined }>()
const emit = defineEmits<{ light: [id: string] }>()
const client = useClient()
const rows = computed(() => waiting(props.limits))
/** Everything that one of the row's limits closes, once. */
const closes = (limits: Limit[]): number => new Set(limits.flatMap((l) => props.effect(l.id)?.closes ?? [])).size
const tests = (limits: Limit[]): string => [...new Set(limits.flatMap((l) => l.opened_by.map((t) => t.title)))].join(', ')
</script>

<template>
  <div v-if="rows.length" class="sheet stack" data-testid="waits">
    <div class="row spread">
      <h2>
        {{ say('limits.notShown') }} <span class="soft">{{ rows.length }}</span>
      </h2>
      <RouterLink :to="`/client/${client.id}/measure`" class="quiet-action">{{ say('limits.toMeasure') }}</RouterLink>
    </div>
    <p class="soft">{{ say('limits.notShownLead') }}</p>
    <ul class="list">
      <li
        v-for="w in rows"
        :key="w.quantity"
        tabindex="0"
        @mouseenter="emit('light', w.limits[0].id)"
        @mouseleave="emit('light', '')"
        @focusin="emit('light', w.limits[0].id)"
        @focusout="emit('light', '')"
      >
        <span class="row spread"
          ><b>{{ w.title }}</b
          ><span v-if="closes(w.limits)" class="tag">{{ say('limits.closes', { n: closes(w.limits) }) }}</span></span
        >
        <template v-for="l in w.limits" :key="l.id"
          ><span v-if="l.bound_in_words"
            >{{ say(l.at_home ? 'context.home' : 'context.visit') }}: {{ say('limits.asFar') }} “{{ l.bound_in_words }}”</span
          ></template
        >
        <span class="small soft">{{ w.limits[w.limits.length - 1].reason }}</span>
        <span v-if="tests(w.limits)" class="small test">{{ say('limits.openedBy') }}: {{ tests(w.limits) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.list li {
  background: var(--ground);
  border-radius: var(--round-small);
  border-left: 6px dotted var(--ink-soft);
  padding: 8px 14px;
  display: grid;
  gap: 3px;
  align-content: start;
}
.test {
  font-weight: 700;
  color: var(--accent-deep);
}
@media (max-width: 1100px) {
  .list {
    grid-template-columns: 1fr;
  }
}
</style>
