<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { got, http } from '../../api/client'
import type { Compared, ErrorKind, Exercise, Judgement, PracticeStanding } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useSaid } from '../../parts/said'
import BuildSession from './BuildSession.vue'

/** Invented cases: judge first, then compare with the rule-book. */
const JUDGEMENTS: Judgement[] = ['as_it_is', 'changed', 'out']
const KINDS: ErrorKind[] = [
  'too_lax',
  'missed_referral',
  'too_strict',
  'needless_referral',
  'other_test',
  'need_missed',
  'too_long',
  'out_of_order',
]
const standing = ref<PracticeStanding>()
const level = ref(1)
const shown = ref<Exercise>()
const compared = ref<Compared>()
const building = ref(false)
const said = reactive<{ steps: Record<string, Judgement>; test: string; referrals: number[] }>({ steps: {}, test: '', referrals: [] })
const { busy, failed, attempt } = useAttempt()
const look = (): Promise<boolean> => attempt(async () => void (standing.value = await got(http.GET('/api/v1/practice'))))
useSaid(look)
const whole = computed(
  () => shown.value && Object.keys(said.steps).length === shown.value.steps.length && (said.test || !shown.value.tests.length),
)

const seed = (): number => crypto.getRandomValues(new Uint32Array(1))[0]! % 1_000_000
async function begin(about = ''): Promise<void> {
  await attempt(async () => {
    compared.value = shown.value = undefined
    Object.assign(said, { steps: {}, test: '', referrals: [] })
    const path = { level: level.value, seed: seed() }
    shown.value = (await got(http.GET('/api/v1/practice/{level}/{seed}', { params: { path, query: { about } } }))).exercise
  })
}
async function compare(): Promise<void> {
  const e = shown.value!
  await attempt(async () => {
    const body = { about: e.about, steps: said.steps, test: said.test, referrals: said.referrals }
    compared.value = await got(http.POST('/api/v1/practice/{level}/{seed}', { params: { path: { level: e.level, seed: e.seed } }, body }))
  })
  await look()
  window.scrollTo({ top: 0 })
}
function another(): void {
  shown.value = undefined
  building.value = false
  void look()
}
const truthOf = (ref: string) => compared.value?.truth.steps.find((s) => s.ref === ref)
const refer = (i: number): void =>
  void (said.referrals = said.referrals.includes(i) ? said.referrals.filter((x) => x !== i) : [...said.referrals, i])
</script>

<template>
  <main class="practice stack">
    <h1>{{ say('practice.title') }}</h1>
    <p v-if="failed" role="alert">{{ failed }}</p>
    <section v-if="!shown" class="two">
      <div class="sheet stack">
        <p>{{ say('practice.lead') }}</p>
        <fieldset class="levels">
          <legend>{{ say('practice.level') }}</legend>
          <button v-for="n in [1, 2, 3]" :key="n" type="button" class="quiet-action" :aria-pressed="level === n" @click="level = n">
            {{ say('practice.conditions', { n }) }}
          </button>
        </fieldset>
        <div>
          <button type="button" class="main-action" :disabled="busy" @click="begin(standing?.due[0]?.kind)">
            {{ busy ? say('practice.inventing') : say('practice.begin') }}
          </button>
        </div>
      </div>
      <div v-if="standing" class="sheet stack">
        <h2>{{ say('practice.due') }}</h2>
        <ul class="due">
          <li v-for="d in standing.due" :key="d.kind">
            <button type="button" class="quiet-action" :disabled="busy" @click="begin(d.kind)">{{ d.title }}</button>
            <span class="soft small">{{
              d.right_percent === null ? say('practice.never') : say('practice.right', { n: d.right_percent! })
            }}</span>
          </li>
        </ul>
        <template v-if="standing.attempts">
          <h2>{{ say('practice.errors') }}</h2>
          <ul class="small">
            <li v-for="k in KINDS.filter((x) => standing!.errors[x])" :key="k">
              {{ say(`practice.error.${k}`) }}: <b>{{ standing.errors[k] }}</b>
            </li>
          </ul>
        </template>
      </div>
    </section>
    <template v-else-if="building">
      <section class="sheet stack">
        <h2>{{ say('practice.person', { age: shown.age, sex: say(shown.sex === 'male' ? 'practice.man' : 'practice.woman') }) }}</h2>
        <p class="small">{{ shown.facts.join('; ') }}</p>
      </section>
      <BuildSession :level="shown.level" :seed="shown.seed" :about="shown.about" @another="another" />
    </template>
    <template v-else>
      <section v-if="compared" class="sheet result" role="status">
        <b class="score">{{ compared.right }}/{{ compared.asked }}</b>
        <ul>
          <li v-for="k in KINDS.filter((x) => compared!.errors[x])" :key="k">{{ say(`practice.error.${k}`) }}: {{ compared.errors[k] }}</li>
        </ul>
        <button type="button" class="main-action" @click="building = true">{{ say('practice.build') }}</button>
        <button type="button" class="quiet-action" @click="another">{{ say('practice.another') }}</button>
      </section>
      <section class="sheet stack">
        <h2>{{ say('practice.person', { age: shown.age, sex: say(shown.sex === 'male' ? 'practice.man' : 'practice.woman') }) }}</h2>
        <ul>
          <li v-for="f in shown.facts" :key="f">{{ f }}</li>
          <li v-for="r in shown.results" :key="r" class="soft">{{ r }}</li>
        </ul>
      </section>
      <section v-if="shown.tests.length" class="sheet stack">
        <h2>{{ say('practice.whichTest') }}</h2>
        <div class="row">
          <button
            v-for="t in shown.tests"
            :key="t.id"
            type="button"
            class="quiet-action wide"
            :aria-pressed="said.test === t.id"
            :disabled="Boolean(compared)"
            @click="said.test = t.id"
          >
            {{ t.title }}
            <b v-if="compared" class="truth">{{
              compared.truth.best_tests.includes(t.id)
                ? say('practice.best', { n: compared.truth.decides[t.id] ?? 0 })
                : say('practice.decides', { n: compared.truth.decides[t.id] ?? 0 })
            }}</b>
          </button>
        </div>
      </section>
      <section class="stack">
        <h2>{{ say('practice.judge') }}</h2>
        <div class="steps">
          <article v-for="s in shown.steps" :key="s.ref" class="sheet step">
            <div class="figure picture" role="img" :aria-label="`${s.family_title}: ${s.title}`" v-html="s.picture" />
            <h3>{{ s.family_title }}: {{ s.title }}</h3>
            <p class="small">{{ s.do.join(' ') }}</p>
            <div class="row">
              <button
                v-for="j in JUDGEMENTS"
                :key="j"
                type="button"
                class="quiet-action"
                :aria-pressed="said.steps[s.ref] === j"
                :disabled="Boolean(compared)"
                @click="said.steps[s.ref] = j"
              >
                {{ say(`practice.say.${j}`) }}
              </button>
            </div>
            <div v-if="truthOf(s.ref)" class="answer" :class="{ right: truthOf(s.ref)!.answer === said.steps[s.ref] }">
              <b>{{ say(`practice.say.${truthOf(s.ref)!.answer}`) }}</b>
              <ul class="small">
                <li v-for="r in truthOf(s.ref)!.reasons.slice(0, 3)" :key="r.limit">
                  {{ r.says }}<template v-if="r.here">, {{ r.here }}</template
                  >: {{ r.reason }}
                </li>
                <li v-for="c in truthOf(s.ref)!.changes" :key="c">{{ c }}</li>
              </ul>
            </div>
          </article>
        </div>
      </section>
      <section v-if="shown.referrals.length" class="sheet stack">
        <h2>{{ say('practice.refer') }}</h2>
        <div class="stack">
          <button
            v-for="(r, i) in shown.referrals"
            :key="r"
            type="button"
            class="quiet-action wide"
            :aria-pressed="said.referrals.includes(i)"
            :disabled="Boolean(compared)"
            @click="refer(i)"
          >
            {{ r }} <b v-if="compared?.truth.referrals.includes(r)" class="truth">{{ say('practice.yes') }}</b>
          </button>
        </div>
      </section>
      <div v-if="!compared" class="foot">
        <button type="button" class="main-action" :disabled="busy || !whole" @click="compare">{{ say('practice.compare') }}</button>
      </div>
    </template>
  </main>
</template>

<style scoped src="./result.css"></style>
<style scoped>
.practice {
  max-width: 1280px;
  margin: 0 auto;
  padding: 0 var(--space-5) var(--space-5);
}
.two {
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: var(--space-4);
}
.levels {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
legend {
  padding: 0 0 6px;
  font-weight: 700;
}
.due {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
}
.due li {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
.steps {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(360px, 1fr));
  gap: var(--space-4);
}
.step {
  display: grid;
  gap: 8px;
  align-content: start;
}
.picture {
  height: 210px;
  padding: 8px;
}
.answer {
  border-left: 6px solid var(--straw);
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 8px 12px;
}
.answer.right {
  border-left-color: var(--accent);
  background: var(--accent-wash);
}
.answer ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
.wide {
  white-space: normal;
  text-align: left;
  padding: 8px 18px;
}
.truth {
  margin-left: 10px;
}
.foot {
  position: sticky;
  bottom: 0;
  background: var(--ground);
  padding: 10px 0;
}
@media (max-width: 800px) {
  .two,
  .steps {
    grid-template-columns: minmax(0, 1fr);
  }
  .practice {
    padding: 0 var(--space-3) var(--space-4);
  }
}
</style>
