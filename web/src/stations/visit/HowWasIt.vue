<script setup lang="ts">
import type { Sheet } from '../../api/schemas'
import { say } from '../../i18n'
import { refOf, tell } from './run'
import type { Run } from './run'
import ZeroToTen from './ZeroToTen.vue'

/** Effort of the whole, and how far each movement is trusted. */
const props = defineProps<{ sheet: Sheet; run: Run }>()
const emit = defineEmits<{ tap: [change: (run: Run) => Run]; finish: [] }>()
const title = (of: number, rung: 'own' | 'easier' | 'harder'): string => {
  const m = props.sheet.movements[of]!
  return `${m.family_title}: ${rung === 'own' ? m.title : (m[rung]?.title ?? m.title)}`
}
function trust(i: number, confidence: number): void {
  const m = props.run.movements[i]!
  emit('tap', (r) => tell(r, i, { effort: m.effort, confidence, felt: m.felt }))
}
function hard(i: number, effort: number): void {
  const m = props.run.movements[i]!
  emit('tap', (r) => tell(r, i, { effort, confidence: m.confidence, felt: m.felt }))
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
          <b>{{ title(m.of, m.rung) }}</b>
          <span class="soft">
            {{ m.done.map((s) => `${s.side === 'both' ? '' : say(`visit.side.${s.side}`) + ' '}${s.clean}/${s.target}`).join(' · ') }}</span
          >
          <span v-if="m.confidence !== undefined" class="tag">{{ say('visit.confidence') }} {{ m.confidence }}</span>
        </summary>
        <div class="stack inside">
          <ZeroToTen :title="say('visit.confidence')" :model-value="m.confidence" @update:model-value="trust(i, $event)" />
          <ZeroToTen :title="say('visit.effortOf')" :model-value="m.effort" @update:model-value="hard(i, $event)" />
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
