<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { ProgrammeMove } from '../../api/schemas'
import { say } from '../../i18n'
import StepFigure from '../../parts/StepFigure.vue'
import VerdictMark from '../../parts/VerdictMark.vue'

const props = defineProps<{
  move: ProgrammeMove
  number: number
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
  dose: [repetitions: number, sets: number, hold_s: number]
}>()
const open = ref(false)
const dose = reactive({ repetitions: 0, sets: 0, hold_s: 0 })
watch(
  () => props.move,
  (m) => Object.assign(dose, { repetitions: m.repetitions, sets: m.sets, hold_s: m.hold_s }),
  { immediate: true },
)
const times = computed(() => {
  const m = props.move
  return (
    say(m.sides.length === 2 ? 'programme.perSide' : 'programme.times', { n: m.repetitions }) +
    (m.side_words ? `, ${m.side_words}` : '') +
    (m.sets > 1 ? ` · ${say('programme.rounds', { n: m.sets })}` : '') +
    (m.hold_s ? ` · ${m.hold_s} s` : '') +
    (m.extra_side ? ` · ${say('programme.extra', { side: m.extra_side })}` : '')
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
    <StepFigure
      :client-id="clientId"
      :step-ref="move.ref"
      :side="move.sides[0]"
      :values="move.values"
      :revision="revision"
      :alt="move.title"
      class="picture"
    />
    <h3>
      <span class="n">{{ number }}</span> {{ move.title }}
    </h3>
    <p class="dose">{{ times }}</p>
    <p class="row spread">
      <VerdictMark :verdict="move.verdict" /><span class="soft">{{ say('programme.minutes', { n: move.minutes }) }}</span>
    </p>
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
      <label v-if="move.hold_s">{{ say('programme.hold') }}<el-input-number v-model="dose.hold_s" :min="0" :max="120" /></label
      ><button type="submit" class="quiet-action tool">{{ say('programme.take') }}</button>
    </form>
  </article>
</template>

<style scoped>
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
.picture {
  height: 168px;
  flex: none;
}
.dose {
  font-size: var(--text-large);
  font-weight: 700;
}
.n {
  color: var(--accent-deep);
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
