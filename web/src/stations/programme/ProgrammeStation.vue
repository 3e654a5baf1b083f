<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useAttempt } from '../../parts/attempt'
import { shareOf } from '../../api/underWay'
import type { ProgrammeMove, Version, WhatIf } from '../../api/schemas'
import { say } from '../../i18n'
import { momentShown } from '../../i18n/days'
import { useClient } from '../../stores/client'
import { useProgramme } from '../../stores/programme'
import type { Edit, SwapChoice } from '../../stores/programme'
import { useSession } from '../../stores/session'
import MoveCard from './MoveCard.vue'
import { moved } from './order'
import WeekView from './WeekView.vue'

const client = useClient()
const programme = useProgramme()
const session = useSession()
const context = ref<'home' | 'visit'>('home')
const minutes = ref(client.view!.case.wishes.minutes)
const building = ref(false)
const share = shareOf('/programmes')
const told = ref('')
const choosing = ref<ProgrammeMove>()
const choices = ref<SwapChoice[]>()
const looking = ref<'' | 'versions' | 'whatIf'>('')
const versions = ref<Version[]>()
const ifs = ref<WhatIf[]>()
const barred = ref<string[]>([])
const dragged = ref(-1)
const blocked = computed(() => client.view!.screen.stop_signs)
const current = computed(() => programme.current)
const answer = computed(() => current.value?.answer)
const moves = computed(() => answer.value?.movements ?? [])
const sessions = computed(() => answer.value?.sessions ?? [])
const letter = ref('A')
const seen = computed(() => sessions.value.find((s) => s.id === letter.value))
const shown = computed(() => (seen.value ? moves.value.filter((m) => m.sessions.includes(seen.value!.id)) : moves.value))
const ways = computed(() => seen.value?.ways ?? answer.value?.ways ?? [])
const locked = computed(() => answer.value?.locked ?? [])
const { titleOf } = session
const absent = computed(() => Object.entries(answer.value?.why_not ?? {}).map(([ref, why]) => ({ ref, title: titleOf(ref), why })))
const quality = computed(() =>
  !current.value
    ? ''
    : (answer.value!.by_hand ?? current.value.made_by === 'hand edit')
      ? say('programme.edited')
      : answer.value!.optimal
        ? say('programme.optimal')
        : say('programme.gap', { n: Math.ceil(answer.value!.gap * 100) }),
)
const newPosition = (i: number): boolean => i === 0 || shown.value[i - 1].position !== shown.value[i].position

const { busy, failed, attempt } = useAttempt()
const build = () =>
  attempt(async () => {
    building.value = true
    try {
      await programme.build(context.value, minutes.value, locked.value, barred.value)
    } finally {
      building.value = false
    }
  })
const edit = (change: Edit) => attempt(() => programme.edit(change))
const move = (from: number, to: number): void => {
  if (to < 0 || to >= shown.value.length || from === to) return
  const title = shown.value[from].title
  const at = (i: number): number => moves.value.indexOf(shown.value[i])
  void edit({
    kind: 'order',
    refs: moved(
      moves.value.map((m) => m.ref),
      at(from),
      at(to),
    ),
  }).then(() => {
    told.value = say('programme.moved', { title, n: to + 1 })
  })
}
function lock(m: ProgrammeMove): void {
  void edit({ kind: 'lock', refs: locked.value.includes(m.ref) ? locked.value.filter((r) => r !== m.ref) : [...locked.value, m.ref] })
}
function out(m: ProgrammeMove): void {
  barred.value = [...barred.value, m.ref]
  void edit({ kind: 'remove', ref: m.ref })
}
async function choose(m: ProgrammeMove): Promise<void> {
  choosing.value = m
  choices.value = undefined
  await attempt(async () => void (choices.value = await programme.swapChoices(m.ref)))
}
function take(into: string): void {
  const from = choosing.value!.ref
  choosing.value = undefined
  void edit({ kind: 'swap', ref: from, into })
}
async function look(what: 'versions' | 'whatIf'): Promise<void> {
  looking.value = what
  ifs.value = undefined
  await attempt(async () => {
    if (what === 'versions') versions.value = await programme.versions()
    else ifs.value = await programme.whatIf()
  })
}
onKeyStroke(
  (e) => e.key.toLowerCase() === 'z' && (e.ctrlKey || e.metaKey),
  (event) => {
    if (/^(INPUT|TEXTAREA)$/.test((event.target as HTMLElement).tagName) || !current.value) return
    event.preventDefault()
    if (event.shiftKey && current.value.can_redo) void attempt(programme.redo)
    else if (!event.shiftKey && current.value.can_undo) void attempt(programme.undo)
  },
)
onMounted(() => {
  if (!blocked.value.length)
    void attempt(async () => {
      await programme.open(true)
      if (current.value) context.value = current.value.context as 'home' | 'visit'
    })
})
</script>

<template>
  <div class="stack">
    <p v-if="blocked.length" class="sheet">
      {{ say('programme.blocked') }}
      <RouterLink :to="`/client/${client.id}/story`" class="quiet-action">{{ say('station.story') }}</RouterLink>
    </p>
    <template v-else>
      <div class="row spread">
        <div class="row">
          <el-radio-group v-model="context" :aria-label="say('station.programme')"
            ><el-radio-button value="home" :label="say('context.home')" /><el-radio-button value="visit" :label="say('context.visit')"
          /></el-radio-group>
          <label class="row"
            ><el-input-number v-model="minutes" :min="5" :max="90" :step="5" :aria-label="say('story.minutes')" /> min</label
          >
        </div>
        <div class="row">
          <span v-if="busy && !building" role="status" class="soft">{{ say('app.loading') }}</span>
          <button type="button" :class="current ? 'quiet-action' : 'main-action'" :disabled="busy" @click="build">
            {{ current ? say('programme.rebuild') : say('programme.build') }}
          </button>
          <RouterLink v-if="moves.length" :to="`/client/${client.id}/papers`" class="main-action">{{
            say('programme.toPapers')
          }}</RouterLink>
        </div>
      </div>
      <div v-if="building" class="sheet stack" role="status">
        <b>{{ say('programme.building') }}</b><el-progress
          :percentage="Math.round(100 * (share ?? 0))"
          :stroke-width="14"
          :aria-label="say('programme.building')"
        />
      </div>
      <p v-if="failed" class="sheet" role="alert">{{ failed }}</p>
      <p v-if="!current && !busy" class="soft">{{ say('programme.none') }}</p>
      <template v-if="answer && current">
        <div class="row facts">
          <el-radio-group v-if="sessions.length > 1" v-model="letter" :aria-label="say('week.title')">
            <el-radio-button v-for="s in sessions" :key="s.id" :value="s.id" :label="say('programme.session', { id: s.id })" />
            <el-radio-button value="" :label="say('programme.everySession')" />
          </el-radio-group>
          <b>{{ say('programme.minutes', { n: seen?.minutes ?? answer.minutes }) }}</b><b>{{
            say('programme.changes', { n: seen?.changes_of_position ?? answer.changes_of_position })
          }}</b
          ><span class="tag">{{ quality }}</span
          ><span v-if="answer.load_budget_minutes" class="soft small">{{
            say('programme.load', { n: answer.load_minutes ?? 0, of: answer.load_budget_minutes })
          }}</span>
          <span class="row tools"
            ><button type="button" class="quiet-action" :disabled="busy || !current.can_undo" @click="attempt(programme.undo)">
              {{ say('programme.undo') }}</button
            ><button type="button" class="quiet-action" :disabled="busy || !current.can_redo" @click="attempt(programme.redo)">
              {{ say('programme.redo') }}</button
            ><button type="button" class="quiet-action" :disabled="busy" @click="look('versions')">{{ say('programme.versions') }}</button
            ><button type="button" class="quiet-action" :disabled="busy" @click="look('whatIf')">
              {{ say('programme.whatIf') }}
            </button></span
          >
        </div>
        <p v-for="w in ways" :key="w.to" class="way">
          <b>{{ say('programme.way', { to: w.says }) }}</b> {{ w.title }}
        </p>
        <p v-if="answer.rests?.says" class="soft">{{ say('programme.rests', { what: answer.rests.says }) }}</p>
        <p v-for="w in answer.warnings" :key="w" class="warn">{{ w }}</p>
        <p v-for="w in answer.unmapped ?? []" :key="w" class="warn">{{ say('programme.unmapped', { what: w }) }}</p>
        <p v-if="answer.conflict" class="warn" role="alert">{{ answer.conflict }}</p>
        <div v-if="current.violations.length" class="broken" role="alert">
          <b>{{ say('programme.broken') }}</b>
          <p v-for="v in current.violations" :key="v.ref + v.side">{{ titleOf(v.ref) }}: {{ v.why }}</p>
        </div>
        <p v-if="!moves.length" class="sheet">{{ say('programme.empty') }}</p>
        <p class="visually-hidden" role="status">{{ told }}</p>
        <ol class="strip" :aria-label="say('station.programme')">
          <li
            v-for="(m, i) in shown"
            :key="m.ref"
            class="move"
            :class="{ over: dragged >= 0 && dragged !== i }"
            draggable="true"
            @dragstart="dragged = i"
            @dragend="dragged = -1"
            @dragover.prevent
            @drop.prevent="move(dragged, i)"
          >
            <span class="position">{{ newPosition(i) ? say(`place.${m.position}`) : ' ' }}</span>
            <MoveCard
              :move="m"
              :number="moves.indexOf(m) + 1"
              :sessions="m.sessions"
              :letters="sessions.map((s) => s.id)"
              :client-id="client.id"
              :revision="client.view!.revision"
              :locked="locked.includes(m.ref)"
              :busy="busy"
              :first="i === 0"
              :last="i === shown.length - 1"
              @earlier="move(i, i - 1)"
              @later="move(i, i + 1)"
              @lock="lock(m)"
              @swap="choose(m)"
              @out="out(m)"
              @sessions="(letters) => edit({ kind: 'sessions', ref: m.ref, refs: letters })"
              @dose="(repetitions, sets, hold_s) => edit({ kind: 'dose', ref: m.ref, repetitions, sets, hold_s })"
            />
          </li>
        </ol>
        <WeekView v-if="moves.length" :moves="moves" :days="client.view!.case.wishes.days_per_week" :number="current.number" />
        <div class="below">
          <section class="sheet stack">
            <template v-if="answer.obligations.length"
              ><h2>{{ say('programme.covers') }}</h2>
              <p v-for="o in answer.obligations" :key="o.id">
                <b>{{ o.title }}</b><br /><span v-if="o.covered_by.length">{{ o.covered_by.map(titleOf).join(', ') }}</span
                ><span v-if="o.why_not" class="bad"
                  ><br v-if="o.covered_by.length" />{{
                    o.covered_by.length ? o.why_not : `${say('programme.notCovered')}: ${o.why_not}`
                  }}</span
                >
              </p></template
            >
            <template v-if="answer.needs"
              ><h2>{{ say('programme.needs') }}</h2>
              <p v-for="n in answer.needs" :key="n.purpose" class="need">
                <span>{{ n.title }}</span><meter :value="n.percent" min="0" max="100" :aria-label="n.title" /><b>{{ n.percent }} %</b
                ><span v-if="n.because.length" class="small soft because">{{
                  say('programme.because', { what: n.because.join('; ') })
                }}</span>
              </p></template
            >
          </section>
          <section class="sheet stack">
            <template v-if="Object.keys(answer.positions ?? {}).length"
              ><h2>{{ say('programme.notUsed') }}</h2>
              <p v-for="(why, position) in answer.positions" :key="position">
                <b>{{ say(`place.${position as ProgrammeMove['position']}`) }}</b><br />{{ why }}
              </p></template
            >
            <details>
              <summary>
                <h2>
                  {{ say('programme.absent') }} <span class="soft">{{ absent.length }}</span>
                </h2>
              </summary>
              <p v-for="a in absent" :key="a.ref">
                <b>{{ a.title }}</b><br />{{ a.why }}
              </p>
            </details>
          </section>
        </div>
      </template>
    </template>
    <el-drawer
      :model-value="!!choosing"
      size="460px"
      :title="choosing ? say('programme.swapFor', { title: choosing.title }) : ''"
      @close="choosing = undefined"
    >
      <el-skeleton v-if="!choices" :rows="6" animated />
      <ul class="swaps">
        <li v-for="c in choices" :key="c.ref">
          <div>
            <b>{{ c.title }}</b><br /><span class="soft small">{{ c.why }}</span
            ><meter :value="c.score" min="0" max="1" :aria-label="c.why" />
          </div>
          <button type="button" class="quiet-action" @click="take(c.ref)">{{ say('programme.choose') }}</button>
        </li>
      </ul>
    </el-drawer>
    <el-drawer :model-value="looking === 'versions'" size="520px" :title="say('programme.versions')" @close="looking = ''">
      <ul class="swaps">
        <li v-for="v in versions" :key="v.number">
          <div>
            <b>{{ say('programme.number', { n: v.number }) }}</b>
            <span class="soft">{{ v.made_by }} · {{ momentShown(v.created_at) }} · {{ say('programme.minutes', { n: v.minutes }) }}</span>
            <p v-if="v.only_here.length" class="small">{{ say('programme.onlyThen') }}: {{ v.only_here.join('; ') }}</p>
            <p v-if="v.only_now.length" class="small">{{ say('programme.onlyNow') }}: {{ v.only_now.join('; ') }}</p>
            <p v-if="!v.only_here.length && !v.only_now.length" class="small soft">{{ say('programme.same') }}</p>
          </div>
        </li>
      </ul>
    </el-drawer>
    <el-drawer :model-value="looking === 'whatIf'" size="520px" :title="say('programme.whatIf')" @close="looking = ''">
      <p v-if="!ifs" role="status" class="soft">{{ say('programme.thinking') }}</p>
      <ul class="swaps">
        <li v-for="w in ifs" :key="w.id">
          <div>
            <b>{{ w.says }}</b>
            <p v-if="!w.comes.length && !w.goes.length" class="soft">{{ say('programme.nothing') }}</p>
            <p v-for="c in w.comes" :key="c">
              + {{ c }} <span class="soft small">{{ say('programme.comes') }}</span>
            </p>
            <p v-for="g in w.goes" :key="g">
              − {{ g }} <span class="soft small">{{ say('programme.goes') }}</span>
            </p>
          </div>
        </li>
      </ul>
    </el-drawer>
  </div>
</template>

<style scoped>
.way {
  margin: 0;
  border-left: 5px solid var(--accent);
  padding-left: 12px;
}
.facts {
  font-size: var(--text-large);
  gap: var(--space-4);
}
.tools {
  margin-left: auto;
  font-size: var(--text);
  gap: 8px;
}
.tools .quiet-action:disabled {
  opacity: 0.45;
  cursor: default;
}
.strip {
  list-style: none;
  margin: 0;
  padding: 0 0 10px;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(262px, 1fr);
  gap: 10px;
  overflow-x: auto;
}
.move {
  display: grid;
  grid-template-rows: 34px 1fr;
}
.move.over {
  opacity: 0.8;
}
.position {
  font-family: var(--serif);
  font-weight: 600;
  border-bottom: 4px solid var(--accent);
  padding-left: 4px;
}
.below {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4);
  align-items: start;
}
.bad {
  color: var(--brick);
}
.warn {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 8px 14px;
}
.need {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(40px, 150px) 60px;
  gap: 2px 10px;
  align-items: center;
}
.need b {
  text-align: right;
}
.because {
  grid-column: 1 / -1;
}
.need meter {
  width: 150px;
}
summary {
  cursor: pointer;
  min-height: 44px;
}
summary h2 {
  display: inline;
}
.broken {
  background: var(--brick-wash);
  color: var(--brick);
  border: 2px solid var(--brick);
  border-radius: var(--round);
  padding: var(--space-3) var(--space-4);
}
.swaps {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
.swaps li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
}
.swaps meter {
  display: block;
  width: 160px;
}
</style>
