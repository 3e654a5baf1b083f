<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { got, http } from '../../api/client'
import type { Proposal } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown, shortDayShown } from '../../i18n/days'
import NextVisit from '../../parts/NextVisit.vue'
import { useAttempt } from '../../parts/attempt'
import { useAnswer } from '../../stores/answers'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import EnduranceBars from './EnduranceBars.vue'
import ProposalCard from './ProposalCard.vue'
import { limitsOverTime } from './limitsOverTime'
import { beside, seriesOf } from './series'

/** What changed since the beginning, and what the engine proposes next. */
const RepetitionChart = defineAsyncComponent(() => import('./RepetitionChart.vue'))
const client = useClient()
const session = useSession()
const subject = () => client.view && { client: client.view.id, revision: client.view.revision, digest: client.view.digest }
const at = (id: string) => ({ params: { path: { client_id: id } } })
const past = useAnswer(
  'course',
  subject,
  (on, signal) => got(http.GET('/api/v1/clients/{client_id}/course', { ...at(on.client), signal })),
  client.refresh,
)
const next = useAnswer(
  'proposals',
  subject,
  (on, signal) => got(http.GET('/api/v1/clients/{client_id}/proposals', { ...at(on.client), signal })),
  client.refresh,
)
past.want()
client.askHistory()
next.want()
const course = computed(() => past.data.value?.course)
const series = computed(() => (course.value ? seriesOf(course.value) : []))
const chosen = ref('')
const shown = computed(() => series.value.find((s) => s.family === chosen.value) ?? weakest.value ?? series.value[0])
const weakest = computed(() => series.value.find((s) => course.value?.weaker[s.family]))
const proposals = computed(() => next.data.value?.proposals ?? [])
const changing = computed(() => proposals.value.filter((p) => p.kind !== 'stay' || p.more_sets_on))
const staying = computed(() => proposals.value.filter((p) => p.kind === 'stay' && !p.more_sets_on))
const limits = computed(() => (client.history ? limitsOverTime(client.history) : []))
const asTable = ref(false)
const first = ref('')
const second = ref('')
const sessions = computed(() => course.value?.visits ?? [])
const pair = computed(() => ({
  first: first.value || sessions.value[0]?.id || '',
  second: second.value || sessions.value.at(-1)?.id || '',
}))
const rows = computed(() => (course.value ? beside(course.value, pair.value.first, pair.value.second) : []))
const { busy, failed, attempt } = useAttempt()
const may = computed(() => session.may('decide'))

async function decide(p: Proposal, answer: 'accepted' | 'declined', reason = ''): Promise<void> {
  await attempt(async () => {
    const programme = await got(http.GET('/api/v1/clients/{client_id}/programmes/latest', at(client.view!.id)))
    const body = { base_revision: client.view!.revision, number: programme.number, proposal: p.id, answer, reason }
    await got(http.POST('/api/v1/clients/{client_id}/decisions', { ...at(client.view!.id), body }))
    await client.refresh()
  })
}
</script>

<template>
  <div class="course stack">
    <p v-if="past.failed.value" role="alert">
      {{ past.failed.value }} <button type="button" class="quiet-action" @click="past.again">{{ say('app.again') }}</button>
    </p>
    <el-skeleton v-else-if="!course" :rows="6" animated />
    <section v-else-if="!course.visits.length" class="sheet stack">
      <p>{{ say('course.none') }}</p>
      <div>
        <RouterLink class="main-action" :to="`/client/${client.view!.id}/visit`">{{ say('course.first') }}</RouterLink>
      </div>
    </section>
    <template v-else>
      <ul class="glance">
        <li v-for="line in course.summary" :key="line">{{ line }}</li>
      </ul>
      <div class="two">
        <section class="sheet stack">
          <div class="row spread">
            <h2>{{ shown ? shown.title : say('course.repetitions') }}</h2>
            <button type="button" class="quiet-action" :aria-pressed="asTable" @click="asTable = !asTable">
              {{ say(asTable ? 'course.figure' : 'course.table') }}
            </button>
          </div>
          <template v-if="shown">
            <p class="small soft">{{ say('course.repetitions') }}</p>
            <RepetitionChart v-if="!asTable" :series="shown" />
            <div v-else class="wide" role="group" tabindex="0" :aria-label="say('course.repetitions')">
              <table class="small">
                <thead>
                  <tr>
                    <th scope="col">{{ say('course.day') }}</th>
                    <th>{{ say('course.rung') }}</th>
                    <th>{{ say('course.left') }}</th>
                    <th>{{ say('course.right') }}</th>
                    <th>{{ say('course.both') }}</th>
                    <th>{{ say('course.effort') }}</th>
                    <th>{{ say('course.confidence') }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="p in [...shown.points].reverse()" :key="p.on">
                    <th>{{ dayShown(p.on) }}<template v-if="p.flare"> ✱</template></th>
                    <td>{{ p.title }}</td>
                    <td>{{ p.left === null ? '' : `${p.left} %` }}</td>
                    <td>{{ p.right === null ? '' : `${p.right} %` }}</td>
                    <td>{{ p.both === null ? '' : `${p.both} %` }}</td>
                    <td>{{ p.effort }}</td>
                    <td>{{ p.confidence }}</td>
                  </tr>
                </tbody>
              </table>
            </div>
            <p class="row">
              <span class="tag">{{ shown.points.at(-1)!.title }}</span>
              <span class="tag">{{ say('course.of', { n: shown.points.at(-1)!.rung, of: shown.rungs }) }}</span>
              <span v-for="[name, count] in shown.faults.slice(0, 4)" :key="name" class="tag">{{ name }} × {{ count }}</span>
            </p>
          </template>
          <div class="row families">
            <button
              v-for="s in series"
              :key="s.family"
              type="button"
              class="quiet-action"
              :aria-pressed="shown?.family === s.family"
              @click="chosen = s.family"
            >
              {{ s.title }}
              <span v-if="course.weaker[s.family]" class="weak">{{
                say('course.weaker', { side: say(course.weaker[s.family] === 'left' ? 'course.left' : 'course.right') })
              }}</span>
            </button>
          </div>
        </section>
        <section class="stack">
          <h2>{{ say('course.proposed') }}</h2>
          <p v-if="next.failed.value" role="alert">
            {{ next.failed.value }} <button type="button" class="quiet-action" @click="next.again">{{ say('app.again') }}</button>
          </p>
          <p v-else-if="!next.data.value" class="soft" role="status">{{ say('course.asking') }}</p>
          <template v-else>
            <p v-if="failed" role="alert">{{ failed }}</p>
            <p v-if="!changing.length">{{ say('course.nothing') }}</p>
            <ProposalCard
              v-for="p in changing"
              :key="p.id"
              :proposal="p"
              :may="may"
              :busy="busy"
              @accept="decide(p, 'accepted')"
              @decline="(reason) => decide(p, 'declined', reason)"
            />
            <NextVisit class="sheet" :client-id="client.view!.id" />
            <details v-if="staying.length" class="sheet">
              <summary>{{ say('course.stays', { n: staying.length }) }}</summary>
              <ul class="small">
                <li v-for="p in staying" :key="p.id">
                  <b>{{ p.title }}</b><template v-if="p.side !== 'both'">
                    ({{ say(p.side === 'left' ? 'course.left' : 'course.right') }})</template
                  >: {{ p.says }}
                  <span class="soft">{{ say('course.would') }}: {{ p.would_change }}.</span>
                </li>
              </ul>
            </details>
          </template>
        </section>
      </div>
      <div class="two">
        <section class="sheet stack">
          <h2>{{ say('course.adherence') }}</h2>
          <ul class="weeks">
            <li v-for="w in course.weeks" :key="w.begins">
              <span class="small">{{ shortDayShown(w.begins) }}</span>
              <span class="beads" role="img" :aria-label="`${w.done} / ${w.asked}`">
                <i v-for="n in Math.max(w.done, w.asked)" :key="n" :class="{ done: n <= w.done }" />
              </span>
              <b>{{ w.done }}</b>
            </li>
          </ul>
        </section>
        <section v-if="course.tests.length" class="sheet stack">
          <h2>{{ say('course.tests') }}</h2>
          <ul class="tests small">
            <li v-for="t in course.tests" :key="t.title + t.side">
              <b>{{ t.title }}</b><template v-if="t.side === 'left' || t.side === 'right'">
                ({{ say(t.side === 'left' ? 'course.left' : 'course.right') }})</template
              >:
              {{ t.says }}
            </li>
          </ul>
        </section>
        <EnduranceBars v-if="course.endurance.length" :walls="course.endurance" />
      </div>
      <section v-if="limits.length || client.historyFailed" class="sheet stack" data-testid="limits-over-time">
        <h2>{{ say('course.limits') }}</h2>
        <p v-if="client.historyFailed" role="alert">{{ client.historyFailed }}</p>
        <ul class="limits small">
          <li v-for="l in limits" :key="l.id + l.came + l.went" :class="{ gone: l.went }">
            <b>{{ l.says }}</b>
            <span v-if="l.came">{{ say('course.came', { day: dayShown(l.came) }) }}</span>
            <span v-for="m in l.moved" :key="m.on + m.says">{{ say('course.moved', { day: dayShown(m.on), what: m.says }) }}</span>
            <span v-if="l.went">{{ say('course.went', { day: dayShown(l.went) }) }}</span>
            <span class="soft">{{ l.went ? l.why : (l.moved.at(-1)?.why ?? l.why) }}</span>
          </li>
        </ul>
      </section>
      <section class="sheet stack">
        <div class="row spread">
          <h2>{{ say('course.dates') }}</h2>
          <a class="quiet-action" :href="`/api/v1/clients/${client.view!.id}/papers/course.pdf`" target="_blank" rel="noopener">{{
            say('course.print')
          }}</a>
        </div>
        <div class="wide" role="group" tabindex="0" :aria-label="say('course.dates')">
          <table>
            <thead>
              <tr>
                <td></td>
                <th v-for="which in ['first', 'second'] as const" :key="which">
                  <select
                    :value="pair[which]"
                    :aria-label="say('course.dates')"
                    class="date"
                    @change="
                      (e) =>
                        which === 'first'
                          ? (first = (e.target as HTMLSelectElement).value)
                          : (second = (e.target as HTMLSelectElement).value)
                    "
                  >
                    <option v-for="v in sessions" :key="v.id" :value="v.id">{{ dayShown(v.on) }}</option>
                  </select>
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in rows" :key="r.title">
                <th>{{ r.title }}</th>
                <td>
                  <template v-if="r.then !== null"
                    ><b>{{ r.then }} %</b> {{ r.before }}</template
                  >
                </td>
                <td>
                  <template v-if="r.now !== null"
                    ><b>{{ r.now }} %</b> {{ r.after }}</template
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
.limits {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.limits li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  border-left: 4px solid var(--accent);
  padding-left: 12px;
}
.limits .gone {
  border-left-style: dotted;
  border-left-color: var(--ink-soft);
}
.date {
  min-height: 44px;
  padding: 0 10px;
  border-radius: var(--round-small);
  border: 1.5px solid var(--el-border-color);
  background: var(--paper);
}
.glance {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
.glance li {
  font-family: var(--serif);
  font-size: 19px;
  background: var(--sunk);
  border-radius: var(--round);
  padding: 6px 16px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: var(--space-4);
  align-items: start;
}
.families {
  gap: 6px;
}
.weak {
  margin-left: 8px;
  color: var(--straw);
  font-weight: 700;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 6px 10px;
  border-bottom: 1px solid var(--line);
}
.weeks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
.weeks li {
  display: grid;
  grid-template-columns: 64px 1fr 30px;
  align-items: center;
}
.beads {
  display: flex;
  gap: 6px;
}
.beads i {
  width: 20px;
  height: 20px;
  border-radius: 50%;
  border: 2.5px solid var(--accent);
}
.beads i.done {
  background: var(--accent);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
