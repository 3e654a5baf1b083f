<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { got, http, Refused } from '../../api/client'
import type { HomeToday, MovementDone, RunMovement, Symptom, Visit } from '../../api/schemas'
import { LANGUAGES, say, speak } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { handFromHome, handNextDayFromHome, undelivered } from '../../offline/delivery'
import { dayOf, newId } from '../../offline/here'
import { keep, kept } from '../../offline/vault'
import OneOf from '../visit/OneOf.vue'
import Pacer from '../visit/Pacer.vue'
import { WHERE } from '../visit/where'
import ZeroToTen from '../visit/ZeroToTen.vue'

/** Today's movements at home: large, few taps, one after the other.  A private link opens it; nobody logs in. */
const code = String(useRoute().params.code)
const today = ref<HomeToday>()
const failed = ref<'gone' | 'network' | ''>('')
const phase = ref<'hello' | 'do' | 'after' | 'thanks'>('hello')
const at = ref(0)
const counted = ref(0)
const moving = ref(false)
const done = ref<MovementDone[]>([])
const effort = ref<number>()
const soreness = ref<number>()
const told = ref(false)
const by = ref<'client' | 'carer'>('client')
const began = new Date()
const visitId = newId()

async function open(): Promise<void> {
  failed.value = ''
  try {
    take(await got(http.GET('/api/v1/home/{code}', { params: { path: { code } } })))
    await keep(`home:${code}`, today.value).catch(() => undefined)
  } catch (error) {
    const copy = error instanceof Refused && error.status === 0 ? await kept<HomeToday>(`home:${code}`) : undefined
    if (copy && dayOf(new Date(copy.savedMs)) === dayOf(new Date())) take(copy.value)
    else failed.value = error instanceof Refused && error.status === 404 ? 'gone' : 'network'
  }
}
function take(found: HomeToday): void {
  today.value = found
  told.value = !found.last || found.last.told
  const wanted = LANGUAGES.find((l) => l === found.language)
  if (wanted) void speak(wanted).catch(() => undefined) // without its words the page stays in the language that it has
}
void open()

const movements = computed(() => (today.value?.sheet?.movements ?? []).filter((m) => !today.value!.paused.includes(m.ref)))
const movement = computed<RunMovement | undefined>(() => movements.value[at.value])
const side = computed(() => movement.value?.sides[0])
const minutes = computed(() => Math.round(movements.value.reduce((sum, m) => sum + m.minutes, 0)))
const paused = computed(() =>
  (today.value?.sheet?.movements ?? []).filter((m) => today.value!.paused.includes(m.ref)).map((m) => m.family_title),
)
const dose = computed(() => {
  const m = movement.value
  if (!m || !side.value) return ''
  const alike = m.sides.every((s) => s.repetitions === side.value!.repetitions)
  const often = alike
    ? say('home.repetitions', { n: side.value.repetitions }) + (m.sides.length > 1 ? ` ${say('home.eachSide')}` : '')
    : m.sides.map((s) => `${say('home.side', { side: say(`visit.side.${s.side as 'left'}`) })}: ${s.repetitions}`).join(', ')
  const hold = side.value.hold_s ? `, ${say('home.hold', { n: side.value.hold_s })}` : ''
  return often + hold + (side.value.sets > 1 ? `, ${say('home.rounds', { n: side.value.sets })}` : '')
})

function log(ended: 'target' | 'person', clean?: number): void {
  const m = movement.value!
  const sets = m.sides.flatMap((s) =>
    Array.from({ length: ended === 'target' ? s.sets : 1 }, () => ({
      side: s.side as 'left',
      target: s.repetitions,
      clean: Math.min(s.repetitions, clean ?? s.repetitions),
      with_faults: 0,
      discarded: 0,
      held_s: s.hold_s || null,
      ended_by: ended,
      faults: [],
    })),
  )
  done.value.push({ step: m.ref, sets, cues: [], compared: null, symptoms: [], felt: [], skipped: null })
  onward()
}
/** It ends the movement, whatever was done of it; where it hurts is one tap. */
function hurts(where: Symptom['where']): void {
  const m = movement.value!
  const symptom = { what: 'pain' as const, where, side: null, rise_0_to_10: 2, spreading: false }
  const set = { side: side.value!.side as 'left', target: side.value!.repetitions, clean: Math.min(counted.value, side.value!.repetitions) }
  const sets = [{ ...set, with_faults: 0, discarded: 0, held_s: null, ended_by: 'symptom' as const, faults: [] }]
  done.value.push({ step: m.ref, sets, cues: [], compared: null, symptoms: [symptom], felt: [], skipped: null })
  asking.value = false
  onward()
}
const asking = ref(false)
const places = computed(() => WHERE.map((value) => ({ value, says: say(`where.${value}`) })))
function onward(): void {
  counted.value = 0
  moving.value = false
  at.value += 1
  if (at.value >= movements.value.length) phase.value = 'after'
}
async function badDay(): Promise<void> {
  done.value = movements.value.map((m) => ({ step: m.ref, sets: [], cues: [], compared: null, symptoms: [], felt: [], skipped: 'tired' }))
  await finish()
}
async function finish(): Promise<void> {
  phase.value = 'thanks'
  const visit: Visit = {
    id: visitId,
    on: dayOf(began),
    began: began.toTimeString().slice(0, 8),
    context: 'home',
    by: by.value,
    session: (today.value?.sheet?.session ?? 'A') as Visit['session'],
    minutes: Math.min(240, Math.round((Date.now() - began.getTime()) / 6000) / 10),
    effort_0_to_10: effort.value ?? null,
    movements: done.value,
  }
  await handFromHome(code, visit)
  handed.value = true
}
async function dayAfter(flare: boolean): Promise<void> {
  told.value = true
  await handNextDayFromHome(code, today.value!.last!.id, { told_on: dayOf(new Date()), soreness_0_to_10: soreness.value ?? null, flare })
  if (flare) await open()
}
const handed = ref(false)
const mine = computed(() => undelivered.value.filter((u) => u.client === code))
const arrived = computed(() => handed.value && !mine.value.length)
const refused = computed(() => mine.value.find((u) => u.refused)?.refused)
const WHO = computed(() => [
  { value: 'client' as const, says: say('home.me') },
  { value: 'carer' as const, says: say('home.carer') },
])
</script>

<template>
  <main class="home">
    <section v-if="failed" class="stack" role="alert">
      <h1>{{ failed === 'gone' ? say('home.gone') : say('reach.title') }}</h1>
      <button type="button" class="main-action" @click="open">{{ say('app.again') }}</button>
    </section>
    <p v-else-if="!today" class="large" role="status">{{ say('app.loading') }}</p>
    <section v-else-if="today.closed" class="stack">
      <h1>{{ say('home.hello', { name: today.first_name }) }}</h1>
      <p class="large">{{ say(today.closed === 'stopped' ? 'home.stopped' : 'home.none') }}</p>
    </section>
    <section v-else-if="phase === 'hello'" class="stack">
      <h1>{{ say('home.hello', { name: today.first_name }) }}</h1>
      <div v-if="!told" class="sheet stack">
        <h2>{{ say('home.dayAfter', { day: dayShown(today.last!.on) }) }}</h2>
        <ZeroToTen v-model="soreness" :title="say('home.sore')" />
        <button type="button" class="quiet-action tall" @click="dayAfter(false)">{{ say('home.usual') }}</button>
        <button type="button" class="quiet-action tall" @click="dayAfter(true)">{{ say('home.worse') }}</button>
      </div>
      <p class="large">{{ say('home.lead', { n: movements.length, m: minutes }) }}</p>
      <p v-if="paused.length" class="note">{{ say('home.paused', { what: paused.join(', ') }) }}</p>
      <OneOf v-model="by" :title="say('home.who')" :options="WHO" />
      <p class="small">{{ say('home.stop') }}</p>
      <button type="button" class="main-action tall" :disabled="!movements.length" @click="phase = 'do'">{{ say('home.begin') }}</button>
      <button type="button" class="quiet-action tall" @click="badDay">{{ say('home.badDay') }}</button>
    </section>
    <section v-else-if="phase === 'do' && movement && side" :key="movement.ref" class="stack">
      <p class="soft">{{ say('home.of', { n: at + 1, of: movements.length }) }}</p>
      <h1>{{ movement.family_title }}</h1>
      <div v-if="moving" class="moving">
        <Pacer
          :frames="side.frames"
          :settling="today.sheet!.settling"
          :beats="side.beats"
          :round="`${at}:0`"
          :sound="false"
          :vibration="false"
          :alt="movement.title"
        />
      </div>
      <div
        v-else
        class="figure picture"
        role="img"
        :aria-label="movement.title"
        v-html="side.frames[Math.max(0, side.frames.length - 1)]"
      />
      <button type="button" class="quiet-action" :aria-pressed="moving" @click="moving = !moving">{{ say('home.show') }}</button>
      <p class="dose">{{ dose }}</p>
      <ol class="lines">
        <li v-for="(line, i) in movement.do" :key="i">{{ line }}</li>
      </ol>
      <p v-for="line in movement.take" :key="line" class="soft">{{ line }}</p>
      <button type="button" class="main-action tall" @click="log('target')">{{ say('home.all') }}</button>
      <button type="button" class="quiet-action tall" @click="counted += 1">{{ say('home.one') }} · {{ counted }}</button>
      <button v-if="counted" type="button" class="quiet-action tall" @click="log('person', counted)">{{ say('home.less') }}</button>
      <button type="button" class="quiet-action tall hurts" :aria-expanded="asking" @click="asking = !asking">
        {{ say('home.hurts') }}
      </button>
      <OneOf v-if="asking" :title="say('visit.where')" :options="places" @update:model-value="hurts" />
    </section>
    <section v-else-if="phase === 'after'" class="stack">
      <ZeroToTen v-model="effort" :title="say('home.hard')" />
      <button type="button" class="main-action tall" @click="finish">{{ say('home.finish') }}</button>
    </section>
    <section v-else class="stack">
      <h1>{{ say('home.thanks') }}</h1>
      <p v-if="done.every((m) => m.skipped === 'tired')" class="large">{{ say('home.badDayLead') }}</p>
      <p v-if="done.some((m) => m.symptoms?.length)" class="large">{{ say('home.hurtsLead') }}</p>
      <p v-if="refused" class="large" role="alert">{{ refused }}</p>
      <p v-else class="large" role="status">{{ say(arrived ? 'home.arrived' : 'home.willArrive') }}</p>
    </section>
  </main>
</template>

<style scoped>
.home {
  max-width: 560px;
  margin: 0 auto;
  padding: var(--space-4);
  font-size: 19px;
}
h1 {
  font-size: 30px;
}
.large,
.lines {
  font-size: 21px;
}
.lines {
  margin: 0;
  padding-left: 26px;
}
.dose {
  font-size: 30px;
  font-weight: 700;
}
.picture {
  height: 300px;
  padding: 10px;
}
.moving {
  height: 420px;
  display: grid;
}
.tall {
  min-height: 64px;
  font-size: 21px;
  justify-content: center;
  white-space: normal;
}
.hurts {
  border: 2px solid var(--brick);
  color: var(--brick);
}
.note {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 10px 14px;
}
</style>
