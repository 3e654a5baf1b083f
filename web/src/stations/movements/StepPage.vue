<script setup lang="ts">
import { onKeyStroke, useDebounceFn } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import type { Movement, Parameter, Verdict } from '../../api/schemas'
import { say } from '../../i18n'
import { numberShown } from '../../i18n/numbers'
import type { MessageKey } from '../../i18n'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import VerdictMark from '../../parts/VerdictMark.vue'
import { demandLines } from './demandLines'
import { PAUSE_MS, useAlong } from './useAlong'
import { useTry } from './useTry'
import OverrideForm from './OverrideForm.vue'
import SchoolsPanel from './SchoolsPanel.vue'
import StepFaults from './StepFaults.vue'
import StepFigure from '../../parts/StepFigure.vue'
import StepPlayer from '../../parts/StepPlayer.vue'

const props = defineProps<{ movement: Movement; verdicts: Verdict[]; waiting: boolean; context: 'visit' | 'home' }>()
const emit = defineEmits<{ close: []; go: [ref: string] }>()
const client = useClient()
const session = useSession()
const side = ref(props.verdicts[0].side)
const verdict = computed(() => props.verdicts.find((v) => v.side === side.value) ?? props.verdicts[0])
const values = reactive<Record<string, number | string>>({})
const { tried, failed, seeking, settle, slide, arrived, open } = useTry((quick) =>
  client.tryStep(props.movement.family, props.movement.step, side.value, props.context, { ...values }, quick),
)
/** The slider under the hand. */
const held = ref<Parameter>()
const { prepare, at, near } = useAlong(
  (parameter, stops, quick) =>
    client.along(props.movement.family, props.movement.step, side.value, props.context, { ...values }, parameter, stops, quick),
  (parameter) =>
    JSON.stringify([
      props.movement.family,
      props.movement.step,
      side.value,
      props.context,
      client.view?.revision,
      { ...values, [parameter]: null },
    ]),
  () => {
    const value = held.value && Number(values[held.value.id])
    const stop = held.value && at(held.value.id, value!)
    const pose = held.value && near(held.value.id, value!)
    if (stop) arrived(stop)
    else if (pose) arrived(pose, true)
  },
)
const sliders = computed(() => props.movement.parameters.filter((p) => !p.choices.length))
const ahead = (of: Parameter[], underHand = false): void =>
  void prepare(
    of.map((p) => ({ parameter: p, now: Number(values[p.id]) })),
    underHand,
  )
const lookAhead = (first = held.value): void => ahead([...sliders.value].sort((a, b) => Number(b === first) - Number(a === first)))
/** While one slider moves, what lies along the others changes with every stop: they are asked when it pauses. */
const pause = useDebounceFn(() => lookAhead(), PAUSE_MS)
function moveTo(p: Parameter): void {
  held.value = p
  const value = Number(values[p.id])
  const stop = at(p.id, value)
  if (!stop) ahead([p], true)
  slide(stop ?? near(p.id, value), !stop)
  void pause()
}
watch(tried, () => {
  if (tried.value && !seeking.value) lookAhead()
})
const lines = computed(() => (tried.value ? demandLines(tried.value.profile.peaks, client.view!.screen.limits) : []))
const opening = ref('')
const rungs = computed((): [MessageKey, string[]][] => [
  ['movements.easier', props.movement.below ? [props.movement.below] : []],
  ['movements.harder', props.movement.above ? [props.movement.above] : []],
  ['movements.first', props.movement.after],
])
const titleOf = (ref: string): string => {
  const found = session.reference?.movements.find((m) => `${m.family}/${m.step}` === ref)
  return found ? (found.family === props.movement.family ? found.step_title : found.title) : ref
}
/** Behind a number: degrees read as degrees. */
const unitOf = (unit: string): string => (unit === 'deg' ? '°' : unit ? ` ${unit}` : '')
const moving = ref(false)
const teaching = ref(false)
/** A new function for every change, so that the player loads anew. */
const load = computed(() => {
  const [side_, chosen] = [side.value, { ...values }]
  return () => client.movie(props.movement.family, props.movement.step, side_, chosen)
})
const wrongs = computed(() => {
  const [side_, chosen] = [side.value, { ...values }]
  return () => client.faults(props.movement.family, props.movement.step, side_, chosen)
})
const steady = computed(() => [...(tried.value?.steady ?? [])].sort((a, b) => a.push_n - b.push_n)[0])
const PRINTED = ['switching_on', 'low_back', 'pelvic_floor', 'belly', 'buttocks', 'side_lift', 'feedback']
/** What to do, with the breath of the school that was chosen. */
const doing = computed(() => (tried.value?.do.length ? tried.value.do : props.movement.do))
const taught = computed(() => PRINTED.map((k) => tried.value?.lines[k]).filter((x): x is string => !!x))
/** A change of the case was judged: the same measures again, under what now holds. */
watch(
  () => props.waiting,
  (now) => {
    if (!now) settle()
  },
)
watch(
  () => [props.movement, side.value],
  () => {
    if (!props.verdicts.some((v) => v.side === side.value)) side.value = props.verdicts[0].side
    for (const key of Object.keys(values)) delete values[key]
    Object.assign(values, verdict.value.original_values)
    open(verdict.value)
  },
  { immediate: true },
)

function openedByHand(): void {
  opening.value = ''
  settle()
}
/** Escape leads back, unless something lies over the page. */
onKeyStroke('Escape', () => {
  if (!teaching.value) emit('close')
})
function taughtAgain(): void {
  teaching.value = false
  settle()
}
</script>

<template>
  <article class="stack" :aria-label="movement.title">
    <header class="row spread">
      <h2 class="title">
        {{ movement.family_title }}: <span class="step-title">{{ movement.step_title }}</span>
      </h2>
      <button type="button" class="quiet-action" @click="emit('close')">{{ say('movements.allOfThem') }}</button>
    </header>
    <div class="page">
      <div class="stack">
        <figure v-if="tried?.why && !moving && !waiting" class="why" data-testid="why">
          <div class="figure big" v-html="tried.why.svg" />
          <figcaption>
            <b class="number">{{ [tried.why.says, tried.why.here].filter(Boolean).join(', ') }}</b>
            <span>{{ tried.why.reason }}</span>
          </figcaption>
        </figure>
        <StepPlayer v-if="moving" :load="load" :alt="movement.title" />
        <div v-else-if="tried?.svg" class="figure big" v-html="tried.svg" />
        <div v-else-if="tried" class="figure big waiting" role="status">{{ tried.profile.fault }}</div>
        <StepFigure
          v-else
          class="big"
          :client-id="client.id"
          :step-ref="`${movement.family}/${movement.step}`"
          :side="side"
          :values="verdict.original_values"
          :revision="client.view!.revision"
          :alt="say('app.loading')"
        />
        <div class="row">
          <button v-if="tried?.svg" type="button" class="quiet-action" :aria-pressed="moving" @click="moving = !moving">
            {{ say(moving ? 'movements.still' : 'movements.watch') }}</button><button
            type="button"
            class="quiet-action"
            @click="teaching = true"
          >
            {{ say('schools.open') }}
          </button>
        </div>
        <template v-if="tried?.modified_svg && !(tried.why && !moving)"
          ><h3>{{ say('movements.solved') }}</h3>
          <div class="figure big solved" v-html="tried.modified_svg"
        /></template>
        <p v-if="failed" role="alert">{{ failed }}</p>
        <section class="stack texts">
          <h3>{{ say('movements.do') }}</h3>
          <ol class="do">
            <li v-for="line in doing" :key="line">{{ line }}</li>
          </ol>
          <p>
            <b>{{ say('movements.breath') }}:</b> {{ tried?.lines.breath ?? movement.breath }}
          </p>
          <p v-for="l in taught" :key="l" class="soft">{{ l }}</p>
          <h3>{{ say('movements.setup') }}</h3>
          <p>{{ movement.setup.join(' ') }}</p>
          <h3>{{ say('movements.cues') }}</h3>
          <ul>
            <li v-for="c in movement.cues" :key="c">{{ c }}</li>
          </ul>
          <h3>{{ say('movements.faults') }}</h3>
          <StepFaults :faults="movement.faults" :load="wrongs" />
          <p>
            <b>{{ say('movements.felt') }}:</b> {{ movement.felt }}. <b>{{ say('movements.notFelt') }}:</b> {{ movement.not_felt }}.
          </p>
        </section>
      </div>
      <div class="stack">
        <div class="row spread head">
          <span v-if="seeking && tried?.verdict?.verdict === 'excluded'" class="outside" role="status">{{
            say('movements.seeking')
          }}</span><VerdictMark v-else-if="!waiting && tried?.verdict" :verdict="tried.verdict.verdict" /><span
            v-else
            class="soft"
            role="status"
            >{{ say('movements.judging') }}</span
          ><el-radio-group v-if="movement.sides" v-model="side" :aria-label="say('movements.side')"
            ><el-radio-button value="left" :label="say('side.left')" /><el-radio-button value="right" :label="say('side.right')"
          /></el-radio-group>
        </div>
        <div v-if="movement.parameters.length" class="try stack">
          <h3>{{ say('movements.try') }}</h3>
          <label
            v-for="p in movement.parameters"
            :key="p.id"
            class="slider"
            @pointerenter="p.choices.length || lookAhead(p)"
            @focusin="p.choices.length || lookAhead(p)"
            ><span class="row spread"
              ><span>{{ p.title }}</span
              ><b>{{ p.choice_titles[String(values[p.id])] ?? numberShown(Number(values[p.id])) }}{{ unitOf(p.unit) }}</b></span
            >
            <el-radio-group v-if="p.choices.length" v-model="values[p.id]" @change="slide()"
              ><el-radio-button v-for="c in p.choices" :key="c" :value="c" :label="p.choice_titles[c]"
            /></el-radio-group>
            <el-slider
              v-else
              v-model="values[p.id] as number"
              :min="p.low"
              :max="p.high"
              :step="p.grid"
              :show-tooltip="false"
              :aria-label="p.title"
              @input="moveTo(p)"
          /></label>
        </div>
        <p v-for="c in waiting ? [] : tried?.verdict?.changes" :key="c.says" class="changed">{{ c.says }}</p>
        <div v-if="(!waiting || opening) && tried?.verdict && (tried.verdict.reasons.length || tried.verdict.fault)" class="stack reasons">
          <h3>{{ say('movements.reasons') }}</h3>
          <p v-for="r in tried.verdict.reasons" :key="r.limit + r.quantity">
            <b
              >{{ r.says }}<template v-if="r.here">, {{ r.here }}</template></b
            ><br />{{ r.reason
            }}<template v-if="r.opened_by.length"
              ><br /><RouterLink :to="`/client/${client.id}/measure`"
                >{{ say('limits.openedBy') }}: {{ r.opened_by.map((t) => t.title).join(', ') }}</RouterLink
              ></template
            ><br /><span class="soft small">{{ r.source }}</span>
            <button
              type="button"
              class="quiet-action"
              :aria-expanded="opening === r.limit"
              @click="opening = opening === r.limit ? '' : r.limit"
            >
              {{ say('override.open') }}
            </button>
          </p>
          <OverrideForm
            v-if="tried.verdict.reasons.some((r) => r.limit === opening)"
            :key="opening"
            :breach="tried.verdict.reasons.find((r) => r.limit === opening)!"
            :step="`${movement.family}/${movement.step}`"
            :side="side"
            @kept="openedByHand"
          />
          <p v-if="tried.verdict.fault">{{ tried.verdict.fault }}</p>
        </div>
        <table v-if="lines.length" class="demand">
          <caption class="visually-hidden">
            {{
              say('movements.demand')
            }}
          </caption>
          <tbody>
            <tr v-for="l in lines" :key="l.title" :class="{ over: l.over }">
              <th scope="row">{{ l.title }}</th>
              <td>{{ l.value }}</td>
              <td class="soft">{{ l.bound }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="steady" class="soft small">
          {{ say('movements.steady', { n: Math.round(steady.push_n), from: steady.push_from })
          }}<template v-if="steady.friction_needed > 0"
            >, {{ say('movements.grip', { n: numberShown(Math.max(...tried!.steady.map((x) => x.friction_needed)), 2) }) }}</template
          >.
        </p>
        <p v-if="tried?.hold" class="small">
          {{
            say('movements.holdFor', {
              n: tried.hold.suggested_s,
              low: Math.round(tried.hold.low_s),
              high: Math.round(tried.hold.high_s),
              test: tried.hold.shown_by,
              s: tried.hold.measured_s,
            })
          }}. <span class="soft">{{ tried.hold.source }}</span>
        </p>
        <div v-if="!waiting && verdict.instead.length" class="row">
          <h3>{{ say('movements.instead') }}</h3>
          <button v-for="i in verdict.instead" :key="i" type="button" class="quiet-action" @click="emit('go', i)">{{ titleOf(i) }}</button>
        </div>
        <div v-if="movement.below || movement.above || movement.after.length" class="rungs">
          <template v-for="[key, refs] in rungs" :key="key"
            ><template v-if="refs.length"
              ><span class="soft small">{{ say(key) }}</span
              ><span class="row"
                ><button v-for="r in refs" :key="r" type="button" class="quiet-action" @click="emit('go', r)">
                  {{ titleOf(r) }}
                </button></span
              ></template
            ></template
          >
        </div>
      </div>
    </div>
    <SchoolsPanel v-if="teaching" :family="movement.family" :family-title="movement.family_title" @close="taughtAgain" />
  </article>
</template>

<style scoped>
.title {
  font-size: 32px;
}
.step-title {
  font-weight: 400;
}
.do {
  margin: 0;
  font-size: var(--text-large);
  display: grid;
  gap: 6px;
}
.why {
  margin: 0;
  display: grid;
  gap: 6px;
}
.why figcaption {
  display: grid;
  gap: 2px;
}
.why .number {
  font-size: var(--text-large);
}
.page {
  display: grid;
  grid-template-columns: 1.1fr 1fr;
  gap: var(--space-5);
}
.big {
  height: 330px;
  padding: 10px;
}
.waiting {
  display: grid;
  place-items: center;
  color: var(--ink-soft);
}
.solved {
  height: 250px;
  outline: 2px solid var(--straw);
}
.head {
  min-height: 48px;
}
.outside {
  color: var(--brick);
  font-weight: 700;
}
.rungs {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 6px 10px;
  align-items: center;
}
.changed {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 9px 14px;
  font-weight: 700;
}
.reasons {
  border-left: 5px solid var(--brick);
  padding-left: 14px;
}
.slider {
  display: grid;
}
.demand {
  border-collapse: collapse;
  width: 100%;
}
.demand th {
  text-align: left;
  font-weight: 400;
  padding: 4px 0;
}
.demand td {
  text-align: right;
  padding: 4px 0 4px 12px;
  font-variant-numeric: tabular-nums;
}
.demand tr {
  border-bottom: 1px solid var(--line);
}
.over td:nth-child(2) {
  color: var(--brick);
  font-weight: 700;
}
</style>
