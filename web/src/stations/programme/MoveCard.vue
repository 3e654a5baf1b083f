<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { ProgrammeMove, SetUp } from '../../api/schemas'
import { say } from '../../i18n'
import StepFigure from '../../parts/StepFigure.vue'
import VerdictMark from '../../parts/VerdictMark.vue'

const props = defineProps<{
  move: ProgrammeMove
  number: number
  sessions: string[]
  letters: string[]
  clientId: string
  revision: number
  locked: boolean
  busy: boolean
  first: boolean
  last: boolean
}>()
const emit = defineEmits<{
  earlier: []
  later: []
  lock: []
  swap: []
  out: []
  sessions: [letters: string[]]
  dose: [repetitions: number, sets: number, hold_s: number]
}>()
const open = ref(false)
const dose = reactive({ repetitions: 0, sets: 0, hold_s: 0 })
const fewest = computed(() => props.move.set_ups.reduce((a, b) => (b.sets < a.sets ? b : a)))
watch(fewest, (s) => Object.assign(dose, { repetitions: s.repetitions, sets: s.sets, hold_s: s.hold_s }), { immediate: true })
const oneDose = computed(() =>
  props.move.set_ups.every((s) => s.repetitions === fewest.value.repetitions && s.hold_s === fewest.value.hold_s),
)
const shown = computed(() => {
  const [first, ...others] = props.move.set_ups
  const alike = others.every((s) => JSON.stringify(s.values) === JSON.stringify(first?.values))
  return alike ? props.move.set_ups.slice(0, 1) : props.move.set_ups
})
const verdict = computed(() => (props.move.set_ups.find((s) => s.verdict !== 'as_is') ?? fewest.value).verdict)
function sideName(s: SetUp): string {
  return say(s.side === 'left' ? 'side.left' : s.side === 'right' ? 'side.right' : 'side.both')
}
function doseOf(s: SetUp): string {
  return (s.sets > 1 ? ` · ${say('programme.rounds', { n: s.sets })}` : '') + (s.hold_s ? ` · ${s.hold_s} s` : '')
}
const times = computed(() => {
  const m = props.move
  if (!oneDose.value) {
    return m.set_ups.map((s) => `${sideName(s)} ${say('programme.times', { n: s.repetitions })}${doseOf(s)}`).join(' / ')
  }
  const more = m.set_ups.filter((s) => s.sets > fewest.value.sets)
  return (
    say(m.set_ups.length === 2 ? 'programme.perSide' : 'programme.times', { n: fewest.value.repetitions }) +
    (m.side_words ? `, ${m.side_words}` : '') +
    doseOf(fewest.value) +
    more.map((s) => ` · ${say('programme.extra', { side: sideName(s).toLowerCase() })}`).join('')
  )
})
function keys(event: KeyboardEvent): void {
  if (!event.altKey || props.busy) return
  if (event.key === 'ArrowLeft') emit('earlier')
  else if (event.key === 'ArrowRight') emit('later')
  else return
  event.preventDefault()
}
function take(): void {
  open.value = false
  emit('dose', dose.repetitions, dose.sets, dose.hold_s)
}
</script>

<template>
  <article class="card" :class="{ locked }" tabindex="0" :aria-label="`${number}. ${move.title}`" @keydown="keys">
    <div class="pictures">
      <figure v-for="s in shown" :key="s.side">
        <StepFigure
          :client-id="clientId"
          :step-ref="move.ref"
          :side="s.side"
          :values="s.values"
          :revision="revision"
          :alt="move.title"
          class="picture"
        />
        <figcaption v-if="shown.length > 1" class="small">{{ sideName(s) }}</figcaption>
      </figure>
    </div>
    <h2 class="title">
      <span class="n">{{ number }}</span> {{ move.title }}
    </h2>
    <p class="dose">{{ times }}</p>
    <p class="row spread">
      <VerdictMark :verdict="verdict" /><span class="soft">{{ say('programme.minutes', { n: move.minutes }) }}</span>
    </p>
    <el-checkbox-group
      v-if="letters.length > 1"
      :model-value="sessions"
      :disabled="busy"
      :min="1"
      :aria-label="say('programme.inSessions')"
      class="letters"
      @update:model-value="emit('sessions', $event as string[])"
    >
      <el-checkbox v-for="l in letters" :key="l" :value="l" :label="say('programme.session', { id: l })" />
    </el-checkbox-group>
    <p v-for="s in move.stand_ins" :key="s" class="small changed">{{ s }}</p>
    <p class="small soft why">{{ move.why }}</p>
    <div class="keys">
      <button
        type="button"
        class="quiet-action tool"
        :disabled="busy || first"
        :aria-label="say('programme.earlier')"
        :title="say('programme.earlier')"
        @click="emit('earlier')"
      >
        ◂
      </button>
      <button
        type="button"
        class="quiet-action tool"
        :disabled="busy || last"
        :aria-label="say('programme.later')"
        :title="say('programme.later')"
        @click="emit('later')"
      >
        ▸
      </button>
      <button type="button" class="quiet-action tool wide" :disabled="busy" :aria-expanded="open" @click="open = !open">
        {{ say('programme.dose') }}
      </button>
      <button type="button" class="quiet-action tool wide" :disabled="busy" @click="emit('swap')">{{ say('programme.swap') }}</button>
      <button type="button" class="quiet-action tool wide" :disabled="busy || locked" @click="emit('out')">
        {{ say('programme.out') }}
      </button>
      <button type="button" class="quiet-action tool all" :disabled="busy" :aria-pressed="locked" @click="emit('lock')">
        {{ say(locked ? 'programme.locked' : 'programme.lock') }}
      </button>
    </div>
    <form v-if="open" class="stack doses" @submit.prevent="take">
      <label>{{ say('programme.repetitions') }}<el-input-number v-model="dose.repetitions" :min="1" :max="30" /></label
      ><label>{{ say('programme.sets') }}<el-input-number v-model="dose.sets" :min="1" :max="6" /></label>
      <label v-if="fewest.hold_s">{{ say('programme.hold') }}<el-input-number v-model="dose.hold_s" :min="0" :max="120" /></label
      ><button type="submit" class="quiet-action tool">{{ say('programme.take') }}</button>
    </form>
  </article>
</template>

<style scoped>
.title {
  font-size: 18px;
}
.card {
  background: var(--paper);
  border: 1px solid var(--line);
  border-top: 0;
  border-radius: 0 0 var(--round) var(--round);
  padding: 10px 12px 12px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  cursor: grab;
}
.card.locked {
  outline: 3px solid var(--accent);
  outline-offset: -3px;
}
.pictures {
  display: flex;
  gap: 8px;
  flex: none;
}
.pictures figure {
  flex: 1;
  min-width: 0;
  margin: 0;
  text-align: center;
}
.picture {
  height: 168px;
}
.dose {
  font-size: var(--text-large);
  font-weight: 700;
}
.n {
  color: var(--accent-deep);
}
.letters {
  display: flex;
  gap: 0 14px;
}
.changed {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 4px 8px;
}
.keys {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  padding-top: 4px;
  gap: 6px;
  margin-top: auto;
}
.tool {
  padding: 0 8px;
  justify-content: center;
  min-height: 44px;
}
.wide {
  grid-column: span 2;
}
.all {
  grid-column: 1 / -1;
}
.tool:disabled {
  opacity: 0.45;
  cursor: default;
}
.doses {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
.doses label {
  display: grid;
  gap: 2px;
  font-size: var(--text-small);
}
</style>
