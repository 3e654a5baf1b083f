<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Rung, Visit } from '../../api/schemas'
import { say } from '../../i18n'
import { redate, undelivered } from '../../offline/delivery'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import StopSigns from '../story/StopSigns.vue'
import BeforeWe from './BeforeWe.vue'
import CompareSides from './CompareSides.vue'
import DoIt from './DoIt.vue'
import HowWasIt from './HowWasIt.vue'
import RestClock from './RestClock.vue'
import {
  changeRung,
  compare,
  current,
  currentSet,
  felt,
  hasEnded,
  leftOut,
  notClean,
  onward,
  ready,
  remainingMinutes,
  rested,
  rungOf,
  skip,
  start,
} from './run'
import type { Skipped } from './run'
import NextVisit from '../../parts/NextVisit.vue'
import StationGuide from '../../parts/StationGuide.vue'
import SensorPanel from './SensorPanel.vue'
import SetUp from './SetUp.vue'
import SymptomForm from './SymptomForm.vue'
import { useSensors } from './useSensors'
import { useVisit } from './useVisit'

/** Running a session, on a tablet beside the mat. */
const route = useRoute()
const session = useSession()
const client = useClient()
const id = String(route.params.id)
const by = (): Visit['by'] => (session.role === 'assistant' ? 'assistant' : 'specialist')
const visit = useVisit(id, by)
const { state, why, offline, full, untold, handing, sheet, run, resumed, canUndo } = visit
void visit.open()

const symptom = ref(false)
const stopping = ref(false)
const skipping = ref(false)
const swapping = ref(false)
const sound = ref(false)
const vibration = ref(false)
const nowMs = ref(Date.now())
useIntervalFn(() => (nowMs.value = Date.now()), 5000)
const own = computed(() => run.value && current(run.value))
const movement = computed(() => sheet.value?.sheet.movements[own.value?.of ?? 0])
const rung = computed(() => own.value && movement.value && rungOf(movement.value, own.value))
const sensors = useSensors(() => (run.value?.phase === 'set' ? `${run.value.at}.${own.value?.done.length}` : ''))
const running = computed(() => ['setup', 'set', 'rest', 'compare'].includes(run.value?.phase ?? ''))
const passedMin = computed(() => (run.value ? Math.max(0, Math.round((nowMs.value - run.value.startedMs) / 60_000)) : 0))
const leftMin = computed(() => {
  if (!sheet.value || !run.value) return 0
  const ahead = run.value.movements.filter((m, i) => i > run.value!.at && !m.done.length && !m.skipped)
  return Math.round(
    ahead.reduce((sum, m) => sum + sheet.value!.sheet.movements[m.of]!.minutes, 0) + remainingMinutes(sheet.value.sheet, run.value),
  )
})
const given = computed(() => client.view?.case.wishes?.minutes ?? 30)
const left = computed(() =>
  sheet.value && run.value && running.value
    ? leftOut(sheet.value.sheet, run.value, Math.max(0, given.value + GRACE_MIN - passedMin.value)).map(
        (i) => sheet.value!.sheet.movements[run.value!.movements[i]!.of]!.family_title,
      )
    : [],
)
const GRACE_MIN = 10
const WHYS = ['time', 'tired', 'symptom', 'no_room', 'not_wanted'] as const
const mine = computed(() => undelivered.value.filter((u) => u.client === id))
const cleanTotal = computed(() => run.value?.movements.flatMap((m) => m.done).reduce((sum, s) => sum + s.clean, 0) ?? 0)
const nextSet = computed(() => {
  const set = run.value && currentSet(run.value)
  const name = (rung.value ?? movement.value)?.family_title ?? ''
  return set && set.side !== 'both' ? `${name}, ${say(`visit.side.${set.side}`)}` : name
})
/** What a sensor found and the specialist saw: under its name where this step knows it. */
function failed(fault: string): void {
  const known = (rung.value?.faults ?? movement.value?.faults ?? []).some((f) => f.id === fault)
  visit.tap((r) => notClean(r, known ? fault : undefined, known ? 'unaware' : null))
}
function goOnWith(rung: Rung): void {
  swapping.value = false
  visit.tap((r) => changeRung(r, rung))
}
function leaveOut(reason: Skipped): void {
  skipping.value = false
  visit.tap((r) => skip(r, reason))
}
/** The day of the server: the clock of this device is what was wrong. */
async function dated(id: string): Promise<void> {
  await client.refresh()
  await redate(id, client.view!.case.as_of)
}
</script>

<template>
  <main class="visit">
    <header class="bar">
      <RouterLink :to="`/client/${id}/programme`" class="quiet-action">{{ say('visit.leave') }}</RouterLink>
      <div class="who">
        <h1 class="name">{{ sheet?.name ?? client.view?.case.person.name }}</h1>
        <span v-if="movement && running" class="title">{{ (rung ?? movement).family_title }}: {{ (rung ?? movement).title }}</span>
      </div>
      <span v-if="running" class="soft time">{{ say('visit.time', { n: passedMin }) }} · {{ say('visit.left', { n: leftMin }) }}</span>
      <span v-if="mine.length" class="tag">{{ say('visit.waiting', { n: mine.length }) }}</span>
      <button v-if="running" type="button" class="quiet-action" :aria-pressed="sound" @click="sound = !sound">
        {{ say('visit.sound') }}
      </button>
      <button v-if="running" type="button" class="quiet-action" :aria-pressed="sensors.on.value" @click="sensors.turn(!sensors.on.value)">
        {{ say('visit.sensors') }}
      </button>
      <button v-if="running" type="button" class="quiet-action" :aria-pressed="vibration" @click="vibration = !vibration">
        {{ say('visit.vibrate') }}
      </button>
    </header>
    <StationGuide v-if="!running" :client-id="id" />
    <p v-if="offline && state === 'ready'" class="note" role="status">{{ say('visit.offline') }}</p>
    <p v-if="full" class="note" role="alert">{{ say('visit.full') }}</p>
    <p v-if="untold" class="note" role="alert">{{ say('visit.untold') }}</p>
    <p v-for="u in mine.filter((x) => x.refused)" :key="u.id" class="note" role="alert">
      <strong>{{ say('visit.refusedTitle') }}.</strong> {{ u.refused }}
      <button v-if="u.kind === 'visit'" type="button" class="quiet-action" @click="dated(u.id)">{{ say('visit.today') }}</button>
    </p>
    <p v-if="left.length" class="note" role="status">{{ say('visit.leavesOut', { what: left.join(', ') }) }}</p>

    <SensorPanel v-if="sensors.on.value && running" :sensors="sensors" :sensed="sheet?.sheet.sensed ?? []" @was="failed" />

    <section v-if="state === 'opening'" class="middle" role="status">
      <p class="soft large">{{ say('visit.opening') }}</p>
    </section>
    <section v-else-if="state === 'ask'" class="middle wide"><StopSigns @kept="visit.open()" /></section>
    <section v-else-if="state !== 'ready'" class="middle" role="alert">
      <h2>{{ say('visit.closed') }}</h2>
      <p class="large">{{ state === 'no_copy' ? say('visit.noCopy') : state === 'too_old' ? say('visit.tooOld') : why }}</p>
      <button type="button" class="quiet-action" @click="visit.open()">{{ say('app.again') }}</button>
    </section>
    <template v-else-if="run && sheet">
      <BeforeWe
        v-if="run.phase === 'before'"
        :model-value="run.before"
        :sheet="sheet"
        :client-id="id"
        :offline="offline"
        @update:model-value="(before) => visit.tap((r) => ({ ...r, before }))"
        @begin="visit.tap(start)"
        @stop="visit.stop"
      />
      <SetUp
        v-else-if="run.phase === 'setup' && movement"
        :key="`${run.at}-${own?.rung}`"
        :sheet="sheet.sheet"
        :movement="movement"
        :rung="rung"
        @ready="visit.tap(ready)"
      />
      <DoIt
        v-else-if="run.phase === 'set' && movement"
        :key="`do-${run.at}`"
        :sheet="sheet.sheet"
        :movement="movement"
        :rung="rung"
        :run="run"
        :sound="sound"
        :vibration="vibration"
        :can-undo="canUndo"
        @tap="visit.tap"
        @undo="visit.undo"
      />
      <RestClock
        v-else-if="run.phase === 'rest'"
        :key="`rest-${run.at}-${own?.done.length}`"
        :seconds="sheet.sheet.rest_s"
        :next="nextSet"
        @done="visit.tap(rested)"
      />
      <CompareSides v-else-if="run.phase === 'compare'" @told="(told) => visit.tap((r) => compare(r, told))" @skip="visit.tap(onward)" />
      <HowWasIt v-else-if="run.phase === 'after'" :sheet="sheet.sheet" :run="run" @tap="visit.tap" @finish="visit.end()" />
      <section v-else class="middle">
        <h2 class="end">{{ run.phase === 'stopped' ? say('visit.stoppedTitle') : say('visit.done') }}</h2>
        <p v-if="run.phase === 'stopped'" class="large" role="alert">{{ say('visit.stopped') }}</p>
        <p v-else class="large">
          {{ say('visit.doneLead', { n: run.movements.filter((m) => m.done.length).length, clean: cleanTotal }) }}
        </p>
        <p class="soft">
          {{ handing ? say('visit.handing') : mine.length ? say('visit.waiting', { n: mine.length }) : say('visit.sent') }}
        </p>
        <NextVisit v-if="!mine.length && !handing" :client-id="id" />
        <div class="row">
          <RouterLink class="main-action" :to="`/client/${id}/course`">{{ say('visit.doneNext') }}</RouterLink>
          <RouterLink class="quiet-action" to="/day">{{ say('visit.toDay') }}</RouterLink>
        </div>
      </section>
    </template>
    <p v-if="resumed && run && !hasEnded(run)" class="note row spread">
      <span>{{ say('visit.resume') }}</span>
      <button type="button" class="quiet-action" @click="visit.anew()">{{ say('visit.anew') }}</button>
    </p>
    <footer v-if="running" class="bar low">
      <template v-if="movement && !own?.rung">
        <button v-if="movement.easier" type="button" class="quiet-action" @click="goOnWith(movement.easier)">
          {{ say('visit.easier') }}
        </button>
        <button v-if="movement.harder" type="button" class="quiet-action" @click="goOnWith(movement.harder)">
          {{ say('visit.harder') }}
        </button>
        <button v-if="movement.instead.length" type="button" class="quiet-action" :aria-expanded="swapping" @click="swapping = !swapping">
          {{ say('visit.instead') }}
        </button>
        <template v-if="swapping">
          <button v-for="r in movement.instead" :key="r.ref" type="button" class="quiet-action" @click="goOnWith(r)">
            {{ r.family_title }}: {{ r.title }}
          </button>
        </template>
      </template>
      <button type="button" class="quiet-action" :aria-expanded="skipping" @click="skipping = !skipping">{{ say('visit.skip') }}</button>
      <template v-if="skipping">
        <button v-for="w in WHYS" :key="w" type="button" class="quiet-action" @click="leaveOut(w)">{{ say(`visit.why.${w}`) }}</button>
      </template>
      <span class="push" />
      <button type="button" class="quiet-action" @click="symptom = true">{{ say('visit.symptom') }}</button>
      <button type="button" class="quiet-action stopsign" @click="stopping = true">{{ say('visit.stop') }}</button>
    </footer>
    <p v-if="state === 'ready' && run?.phase === 'before'" class="small soft">{{ say('visit.stored') }}</p>
    <SymptomForm v-if="sheet" v-model="symptom" :sheet="sheet.sheet" @felt="(s) => visit.tap((r) => felt(sheet!.sheet, r, s))" />
    <el-dialog v-model="stopping" :title="say('visit.stop')" width="min(760px, 96vw)">
      <div class="signs">
        <button
          v-for="s in sheet?.sheet.stop_signs ?? []"
          :key="s.id"
          type="button"
          class="quiet-action sign"
          @click="((stopping = false), visit.stop(s.id))"
        >
          {{ s.says }}
        </button>
      </div>
    </el-dialog>
  </main>
</template>

<style scoped>
.name {
  font-size: 18px;
  font-family: var(--sans);
  font-weight: 700;
}
.end {
  font-size: var(--text-title);
}
.visit {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  padding: var(--space-3) var(--space-5);
  min-height: calc(100dvh - 20px);
}
.visit > section {
  height: calc(100dvh - 190px);
  min-height: 420px;
}
.visit > section.before,
.visit > section.after {
  height: auto;
}
/* One screen while counting: what is told above takes its place from the figure, never from what is tapped. */
.visit > section.do {
  flex: 1 0 auto;
  height: auto;
}
.visit > section.sensors {
  height: auto;
  min-height: 0;
}
.bar {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  flex-wrap: wrap;
}
/* Whatever is above it: the stop sign is never below the edge of the screen. */
.low {
  position: sticky;
  bottom: 0;
  background: var(--ground);
  padding-block: 6px;
}
.who {
  display: grid;
  flex: 1;
  min-width: 200px;
}
.title {
  font-family: var(--serif);
  font-size: 24px;
  font-weight: 600;
}
.time {
  font-variant-numeric: tabular-nums;
}
.note {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 8px 14px;
}
.middle {
  display: grid;
  place-content: center;
  justify-items: center;
  gap: var(--space-4);
  text-align: center;
}
.wide {
  place-content: start stretch;
  justify-items: stretch;
  text-align: left;
}
.large {
  font-size: 22px;
  max-width: 720px;
}
.push {
  flex: 1;
}
.stopsign {
  border: 2.5px solid var(--brick);
  color: var(--brick);
  font-weight: 700;
}
.signs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 8px;
}
.sign {
  white-space: normal;
  text-align: left;
  min-height: 56px;
}
@media (max-width: 800px) {
  .visit {
    padding: var(--space-3);
  }
  .visit > section {
    height: auto;
  }
}
</style>
