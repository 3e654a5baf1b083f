<script setup lang="ts">
import { computed } from 'vue'
import type { Sheet } from '../../api/schemas'
import { say } from '../../i18n'
import { refOf, rungOf, tell } from './run'
import type { MovementRun, Run, Told } from './run'
import SomeOf from './SomeOf.vue'
import { WHERE } from './where'
import ZeroToTen from './ZeroToTen.vue'

/** Effort of the whole, how far each movement is trusted, and where it was felt. */
const props = defineProps<{ sheet: Sheet; run: Run }>()
const emit = defineEmits<{ tap: [change: (run: Run) => Run]; finish: [] }>()
const title = (run: MovementRun): string => {
  const own = props.sheet.movements[run.of]!
  const done = rungOf(own, run) ?? own
  return `${done.family_title}: ${done.title}`
}
const places = computed(() => WHERE.map((value) => ({ value, says: say(`where.${value}`) })))
function told(i: number, more: Partial<Told>): void {
  const { effort, confidence, felt } = props.run.movements[i]!
  emit('tap', (r) => tell(r, i, { effort, confidence, felt, ...more }))
}
</script>

<template>
  <section class="after stack">
    <h2>{{ say('visit.after') }}</h2>
    <div class="sheet">
      <ZeroToTen
        :title="say('visit.effort')"
        :model-value="run.effort"
        @update:model-value="(effort) => emit('tap', (r) => ({ ...r, effort }))"
      />
    </div>
    <template v-for="(m, i) in run.movements" :key="`${refOf(sheet, m)}-${i}`">
      <details v-if="m.done.length" class="sheet">
        <summary>
          <b>{{ title(m) }}</b>
          <span class="soft">
            {{ m.done.map((s) => `${s.side === 'both' ? '' : say(`visit.side.${s.side}`) + ' '}${s.clean}/${s.target}`).join(' · ') }}</span
          >
          <span v-if="m.confidence !== undefined" class="tag">{{ say('visit.confidence') }} {{ m.confidence }}</span>
        </summary>
        <div class="stack inside">
          <ZeroToTen :title="say('visit.confidence')" :model-value="m.confidence" @update:model-value="told(i, { confidence: $event })" />
          <ZeroToTen :title="say('visit.effortOf')" :model-value="m.effort" @update:model-value="told(i, { effort: $event })" />
          <p v-if="sheet.movements[m.of]!.felt" class="soft">{{ say('visit.meantFelt', { where: sheet.movements[m.of]!.felt }) }}</p>
          <SomeOf :title="say('visit.felt')" :options="places" :model-value="m.felt" @update:model-value="told(i, { felt: $event })" />
        </div>
      </details>
    </template>
    <div>
      <button type="button" class="main-action big" @click="emit('finish')">{{ say('visit.finish') }}</button>
    </div>
  </section>
</template>

<style scoped>
.after {
  max-width: 860px;
  margin: 0 auto;
  width: 100%;
}
summary {
  cursor: pointer;
  min-height: 44px;
  display: flex;
  gap: var(--space-3);
  align-items: center;
  flex-wrap: wrap;
}
.inside {
  padding-top: var(--space-3);
}
.big {
  min-height: 64px;
  font-size: 24px;
  padding: 0 44px;
  border-radius: 32px;
}
</style>
