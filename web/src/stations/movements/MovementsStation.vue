<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Movement, Verdict, VerdictKind } from '../../api/schemas'
import { shareOf } from '../../api/underWay'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import StepFigure from '../../parts/StepFigure.vue'
import VerdictMark from '../../parts/VerdictMark.vue'
import SchoolsPanel from './SchoolsPanel.vue'
import StepPage from './StepPage.vue'

const client = useClient()
const session = useSession()
const context = ref<'visit' | 'home'>('home')
const wanted = ref<VerdictKind | ''>('')
const place = ref('')
const purpose = ref('')
const typed = ref('')
const all = computed(() => session.reference?.movements ?? [])
const route = useRoute()
const router = useRouter()
/** The step whose address this is; none on the page of all of them. */
const open = computed(() => all.value.find((m) => m.family === route.params.family && m.step === route.params.step))
const addressOf = (ref: string): string => `/client/${client.id}/movements/${ref}`
const teaching = ref(false)
const WORST: VerdictKind[] = ['excluded', 'not_judged', 'modified', 'by_override', 'as_is']

const byRef = computed(() => {
  const out = new Map<string, Verdict[]>()
  for (const v of client.verdicts ?? [])
    if (v.context === context.value) out.set(`${v.family}/${v.step}`, [...(out.get(`${v.family}/${v.step}`) ?? []), v])
  return out
})
/** The verdicts on the open step: while a change is judged the page stays open with the last ones, which it then does not show. */
const opened = ref<Verdict[]>([])
watch([byRef, open], () => {
  const now = open.value && byRef.value.get(`${open.value.family}/${open.value.step}`)
  if (now || !open.value) opened.value = now ?? []
})
const worst = (ref: string): Verdict | undefined => {
  const all = byRef.value.get(ref) ?? []
  return [...all].sort((a, b) => WORST.indexOf(a.verdict) - WORST.indexOf(b.verdict))[0]
}
const places = computed(() => [...new Set(all.value.map((m) => m.position))])
function fits(m: Movement): boolean {
  const words = `${m.title} ${m.about} ${m.props.join(' ')}`.toLowerCase()
  return (
    (!place.value || m.position === place.value) &&
    (!purpose.value || (m.purposes[purpose.value] ?? 0) >= 0.3) &&
    words.includes(typed.value.trim().toLowerCase())
  )
}
const ladders = computed(() => {
  const out = new Map<string, Movement[]>()
  for (const m of all.value.filter(fits)) {
    const v = worst(`${m.family}/${m.step}`)
    if (v && (!wanted.value || v.verdict === wanted.value)) out.set(m.family, [...(out.get(m.family) ?? []), m])
  }
  return [...out.values()]
})
const counts = computed(() =>
  WORST.map((k) => [k, [...byRef.value.keys()].filter((r) => worst(r)?.verdict === k).length] as const).reverse(),
)
function line(v: Verdict): string {
  if (v.verdict === 'not_judged') return say('movements.notJudged')
  if (v.verdict === 'excluded') return [v.reasons[0]?.says, v.reasons[0]?.here].filter(Boolean).join(', ')
  return v.changes[0]?.says ?? v.cautions[0]?.measure ?? ''
}
client.judge()
const share = shareOf('/verdicts')
</script>

<template>
  <div v-show="!open" class="stack">
    <div class="row spread">
      <el-radio-group v-model="context" :aria-label="say('station.movements')"
        ><el-radio-button value="home" :label="say('context.home')" /><el-radio-button value="visit" :label="say('context.visit')"
      /></el-radio-group>
      <div class="row">
        <button type="button" class="quiet-action" :aria-pressed="!wanted" @click="wanted = ''">{{ say('movements.all') }}</button>
        <button
          v-for="[kind, n] in counts"
          v-show="n"
          :key="kind"
          type="button"
          class="quiet-action"
          :aria-pressed="wanted === kind"
          @click="wanted = kind"
        >
          <VerdictMark :verdict="kind" />&nbsp;{{ n }}
        </button>
        <RouterLink :to="`/client/${client.id}/programme`" class="main-action">{{ say('movements.toProgramme') }}</RouterLink>
      </div>
    </div>
    <div class="row filters">
      <el-select v-model="place" clearable :placeholder="say('movements.position')" :aria-label="say('movements.position')" class="pick"
        ><el-option v-for="p in places" :key="p" :value="p" :label="say(`place.${p}`)"
      /></el-select>
      <el-select v-model="purpose" clearable :placeholder="say('movements.purpose')" :aria-label="say('movements.purpose')" class="pick"
        ><el-option v-for="p in session.reference?.purposes ?? []" :key="p.id" :value="p.id" :label="p.title"
      /></el-select>
      <button type="button" class="quiet-action" @click="teaching = true">{{ say('schools.open') }}</button>
      <el-input v-model="typed" clearable :placeholder="say('movements.find')" :aria-label="say('movements.find')" class="pick" />
    </div>
    <p v-if="client.judging" class="sheet" role="alert">
      {{ client.judging }} <button class="quiet-action" @click="client.judgeAgain">{{ say('app.again') }}</button>
    </p>
    <div v-else-if="!client.verdicts" class="sheet stack" role="status">
      <p>{{ say('movements.working') }}</p>
      <el-progress
        v-if="share"
        :percentage="Math.round(100 * share)"
        :stroke-width="14"
        :aria-label="say('movements.judging')"
      /><el-skeleton :rows="5" animated />
    </div>
    <p v-if="client.verdicts && !ladders.length" class="soft">{{ say('movements.none') }}</p>
    <section v-for="ladder in ladders" :key="ladder[0].family" class="ladder">
      <div class="about">
        <h2>{{ ladder[0].family_title }}</h2>
        <p class="soft small">{{ say(`place.${ladder[0].position}`) }}</p>
        <p class="small">{{ ladder[0].about }}</p>
      </div>
      <div class="steps">
        <button
          v-for="m in ladder"
          :key="m.step"
          type="button"
          class="step"
          :class="worst(`${m.family}/${m.step}`)!.verdict"
          @click="router.push(addressOf(`${m.family}/${m.step}`))"
        >
          <StepFigure
            :client-id="client.id"
            :step-ref="`${m.family}/${m.step}`"
            :side="worst(`${m.family}/${m.step}`)!.side"
            :values="worst(`${m.family}/${m.step}`)!.values"
            :revision="client.view!.revision"
            :alt="m.title"
            class="picture"
          />
          <span class="row spread"
            ><b>{{ m.step_title }}</b
            ><VerdictMark :verdict="worst(`${m.family}/${m.step}`)!.verdict"
          /></span>
          <span class="small line">{{ line(worst(`${m.family}/${m.step}`)!) }}</span>
        </button>
      </div>
    </section>
    <SchoolsPanel v-if="teaching" @close="teaching = false" />
    <p class="visually-hidden">{{ say(`context.${context}`) }}</p>
  </div>
  <template v-if="open">
    <StepPage
      v-if="opened.length"
      :movement="open"
      :verdicts="opened"
      :waiting="!client.verdicts"
      :context="context"
      @close="router.push(`/client/${client.id}/movements`)"
      @go="router.push(addressOf($event))"
    />
    <p v-else-if="client.judging" class="sheet" role="alert">{{ client.judging }}</p>
    <p v-else class="sheet" role="status">{{ say('movements.working') }}</p>
  </template>
</template>

<style scoped>
.pick {
  width: 230px;
}
.ladder {
  display: grid;
  grid-template-columns: 210px 1fr;
  gap: var(--space-4);
  border-top: 1px solid var(--line);
  padding-top: var(--space-4);
}
.about {
  display: grid;
  gap: 4px;
  align-content: start;
}
.steps {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(245px, 1fr));
  gap: var(--space-3);
}
.step {
  text-align: left;
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--round);
  padding: 10px 12px;
  display: grid;
  gap: 5px;
  cursor: pointer;
  align-content: start;
}
.step:hover {
  border-color: var(--accent);
}
.step.excluded,
.step.not_judged {
  background: transparent;
  border-style: dashed;
  border-color: var(--brick);
}
.step.not_judged {
  border-color: var(--ink-soft);
}
.step.excluded .picture,
.step.not_judged .picture {
  opacity: 0.55;
}
.picture {
  height: 150px;
}
.line {
  color: var(--ink-soft);
}
@media (max-width: 720px) {
  .ladder {
    grid-template-columns: minmax(0, 1fr);
  }
  .steps {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
