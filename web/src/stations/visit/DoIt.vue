<script setup lang="ts">
import { onKeyStroke, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { RunFault, RunMovement, Rung, Sheet } from '../../api/schemas'
import { say } from '../../i18n'
import Pacer from './Pacer.vue'
import { clean, cued, current, currentSet, discard, endSet, nameFault, notClean } from './run'
import type { Meaning, Run } from './run'

/** One set: the figure with its breath, the count, and one tap a repetition. */
const props = defineProps<{
  sheet: Sheet
  movement: RunMovement
  rung?: Rung
  run: Run
  sound: boolean
  vibration: boolean
  canUndo: boolean
}>()
const emit = defineEmits<{ tap: [change: (run: Run) => Run]; undo: [] }>()
const set = computed(() => currentSet(props.run))
const own = computed(() => current(props.run))
const side = computed(() => props.movement.sides.find((s) => s.side === set.value?.side) ?? props.movement.sides[0])
const frames = computed(() => (props.rung ? [props.rung.picture] : (side.value?.frames ?? [])))
const beats = computed(() => (props.rung ? props.rung.beats : (side.value?.beats ?? [])))
const faults = computed(() => props.rung?.faults ?? props.movement.faults)
const cues = computed(() =>
  props.rung ? props.rung.cues.map((says, index) => ({ index, says, worked_last: false })) : props.movement.cues,
)
const naming = ref(false)
const named = ref<RunFault>()
const shown = ref<RunFault>()
const cueAt = ref(0)
const rounds = computed(() => own.value.plan.filter((p) => p.side === set.value?.side).length)
const round = computed(() => own.value.done.filter((s) => s.side === set.value?.side).length + 1)
const counted = computed(() => props.run.now.clean + props.run.now.withFaults)
const key = computed(() => `${props.run.at}.${own.value.done.length}:${counted.value + props.run.now.discarded}`)

const held = ref(0)
const { pause, resume } = useIntervalFn(() => (held.value = Math.round((held.value + 0.1) * 10) / 10), 100, { immediate: false })

watch(
  () => [set.value?.hold_s, key.value],
  () => {
    held.value = 0
    if (set.value?.hold_s) resume()
    else pause()
  },
  { immediate: true },
)
watch(
  () => own.value.done.length,
  () => (naming.value = false),
)

function good(): void {
  naming.value = false
  const seconds = held.value
  emit('tap', (r) => clean(r, seconds))
}
function bad(): void {
  emit('tap', (r) => notClean(r))
  naming.value = true
  named.value = undefined
}
function mean(meaning: Meaning): void {
  const fault = named.value!
  emit('tap', (r) => nameFault(r, fault.id, meaning))
  naming.value = false
  if (meaning === 'unaware') shown.value = fault
}
function tried(worked: boolean): void {
  const cue = cues.value[cueAt.value]
  if (!cue) return
  emit('tap', (r) => cued(r, cue.index, worked))
  if (!worked) cueAt.value = (cueAt.value + 1) % cues.value.length
}
const typing = (event: KeyboardEvent): boolean => /^(INPUT|TEXTAREA|SELECT)$/.test((event.target as HTMLElement).tagName)
onKeyStroke([' ', 'c'], (event) => {
  if (typing(event) || (event.key === ' ' && (event.target as HTMLElement).tagName === 'BUTTON')) return
  event.preventDefault()
  good()
})
onKeyStroke('x', (event) => !typing(event) && bad())
onKeyStroke('b', (event) => !typing(event) && emit('tap', discard))
onKeyStroke('z', (event) => !typing(event) && emit('undo'))
onKeyStroke(['1', '2', '3', '4', '5', '6', '7', '8', '9'], (event) => {
  if (naming.value && !typing(event)) named.value = faults.value[Number(event.key) - 1] ?? named.value
})
onKeyStroke('u', () => naming.value && named.value && mean('unaware'))
onKeyStroke('t', () => naming.value && named.value && mean('tired'))
</script>

<template>
  <section v-if="set" class="do">
    <div class="left">
      <div v-if="shown?.picture" class="shown">
        <div class="figure wrong" role="img" :aria-label="shown.name" v-html="shown.picture" />
        <div class="row spread">
          <b class="says">{{ shown.cue }}</b>
          <button type="button" class="quiet-action" @click="shown = undefined">{{ say('visit.hideFault') }}</button>
        </div>
      </div>
      <Pacer
        v-else
        :frames="frames"
        :settling="sheet.settling"
        :beats="beats"
        :round="key"
        :sound="sound"
        :vibration="vibration"
        :alt="rung?.title ?? movement.title"
      />
    </div>
    <div class="right">
      <div class="counting" aria-live="polite">
        <span class="side">{{ set.side === 'both' ? '' : say(`visit.side.${set.side}`) }}</span>
        <span class="count" data-testid="count">{{ run.now.clean }}</span>
        <span class="of">{{ say('visit.of', { n: set.target }) }}</span>
        <span v-if="rounds > 1" class="soft">{{ say('visit.round', { n: round, of: rounds }) }}</span>
        <span v-if="set.hold_s" class="hold" :class="{ enough: held >= set.hold_s }">
          {{ say('visit.holding', { n: Math.round(held) }) }} <small>{{ say('visit.of', { n: set.hold_s }) }}</small>
        </span>
      </div>
      <div v-if="!naming" class="taps">
        <button type="button" class="tap clean" @click="good">
          {{ say('visit.clean') }}
        </button>
        <button type="button" class="tap unclean" @click="bad">
          {{ say('visit.notClean') }}
        </button>
      </div>
      <div v-else class="naming stack">
        <h2 class="ask">{{ say('visit.faultAsk') }}</h2>
        <div class="faults">
          <button
            v-for="(f, i) in faults"
            :key="f.id"
            type="button"
            class="fault"
            :aria-pressed="named?.id === f.id"
            :title="f.seen"
            @click="named = f"
          >
            <span v-if="f.picture" class="figure mini" aria-hidden="true" v-html="f.picture" />
            <span>{{ i + 1 }} {{ f.name }}</span>
          </button>
        </div>
        <div class="row">
          <button type="button" class="quiet-action strong" :disabled="!named" @click="mean('unaware')">{{ say('visit.unaware') }}</button>
          <button type="button" class="quiet-action strong" :disabled="!named" @click="mean('tired')">{{ say('visit.tired') }}</button>
          <button type="button" class="quiet-action" @click="naming = false">{{ say('visit.noName') }}</button>
        </div>
      </div>
      <div v-if="cues.length && !naming" class="cue">
        <span class="small soft"
          >{{ say('visit.cue') }}<template v-if="cues[cueAt]!.worked_last"> · {{ say('visit.cueBest') }}</template></span
        >
        <b>{{ cues[cueAt]!.says }}</b>
        <div class="row">
          <button type="button" class="quiet-action" @click="tried(true)">{{ say('visit.cueWorked') }}</button>
          <button v-if="cues.length > 1" type="button" class="quiet-action" @click="tried(false)">{{ say('visit.cueNext') }}</button>
        </div>
      </div>
      <div v-if="!naming" class="row more">
        <button type="button" class="quiet-action" @click="emit('tap', discard)">
          {{ say('visit.discard') }}<template v-if="run.now.discarded"> · {{ run.now.discarded }}</template>
        </button>
        <button type="button" class="quiet-action" :disabled="!canUndo" @click="emit('undo')">{{ say('visit.undo') }}</button>
        <button type="button" class="quiet-action" @click="emit('tap', (r) => endSet(r, 'form'))">{{ say('visit.endSet') }}</button>
        <button
          v-for="f in faults.filter((x) => x.picture).slice(0, 1)"
          :key="f.id"
          type="button"
          class="quiet-action"
          @click="shown = shown ? undefined : f"
        >
          {{ say('visit.showFault') }}
        </button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.ask {
  font-size: 18px;
}
.do {
  display: grid;
  grid-template-columns: 1.15fr 1fr;
  gap: var(--space-5);
  min-height: 0;
}
.left,
.right {
  min-height: 0;
  display: grid;
}
.left {
  contain: size; /* as tall as the taps beside it, and what else there is room for */
  min-height: 280px;
}
.left > * {
  min-height: 0;
}
.right {
  align-content: space-between;
  gap: var(--space-3);
}
.shown {
  display: grid;
  grid-template-rows: 1fr auto;
  gap: 8px;
}
.wrong {
  min-height: 0;
  padding: 10px;
}
.says {
  font-size: 22px;
}
.counting {
  display: flex;
  align-items: baseline;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.side {
  font-size: 52px;
  font-weight: 700;
  flex-basis: 100%;
  line-height: 1;
}
.count {
  font-size: 168px;
  line-height: 0.9;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
.of {
  font-size: 44px;
}
.hold {
  font-size: 52px;
  font-weight: 700;
  padding: 2px 16px;
  border: 3px dashed var(--line);
  border-radius: var(--round);
}
.hold.enough {
  border: 3px solid var(--accent);
}
.taps {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: var(--space-3);
}
.tap {
  min-height: 132px;
  border-radius: var(--round);
  font-size: 34px;
  font-weight: 700;
  cursor: pointer;
  border: 0;
}
.clean {
  background: var(--accent);
  color: var(--paper);
}
.unclean {
  background: var(--paper);
  border: 3px solid var(--straw);
  color: var(--straw);
  font-size: 25px;
}
.tap:active {
  transform: scale(0.98);
}
.faults {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
}
.fault {
  min-height: 60px;
  display: grid;
  gap: 4px;
  align-content: center;
  border-radius: var(--round-small);
  border: 1.5px solid var(--el-border-color);
  background: var(--paper);
  padding: 6px;
  cursor: pointer;
  text-align: center;
}
.fault[aria-pressed='true'] {
  background: var(--straw-wash);
  border-color: var(--straw);
  font-weight: 700;
}
.mini {
  height: 74px;
}
.strong {
  font-weight: 700;
}
.cue {
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: var(--round);
  padding: 10px 14px;
  display: grid;
  gap: 6px;
}
.cue b {
  font-size: 21px;
}
@media (max-width: 800px) {
  .do {
    grid-template-columns: 1fr;
  }
  .left {
    height: 46vh;
  }
  .count {
    font-size: 110px;
  }
}
@media (max-height: 780px) {
  .count {
    font-size: 128px;
  }
  .tap {
    min-height: 104px;
  }
}
</style>
