<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { Refused } from '../../api/client'
import type { ProgrammeMove } from '../../api/types'
import { say } from '../../i18n'
import StepFigure from '../../parts/StepFigure.vue'
import VerdictMark from '../../parts/VerdictMark.vue'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'

const client = useClient()
const session = useSession()
const context = ref<'home' | 'visit'>('home')
const minutes = ref(client.view!.case.wishes.minutes)
const busy = ref(false)
const failed = ref('')
const choosing = ref<ProgrammeMove>()
const choices = ref<{ ref: string; score: number; why: string; title: string }[]>()
const blocked = computed(() => client.view!.screen.stop_signs)
const answer = computed(() => client.programme?.answer)
const titleOf = (ref: string) => session.reference?.movements.find((m) => `${m.family}/${m.step}` === ref)?.title ?? ref
const absent = computed(() => Object.entries(answer.value?.why_not ?? {}).map(([ref, why]) => ({ ref, title: titleOf(ref), why })))
const quality = computed(() => !client.programme ? '' : client.programme.made_by !== 'solver' ? say('programme.edited') : answer.value!.optimal ? say('programme.optimal') : say('programme.gap', { n: Math.ceil(answer.value!.gap * 100) }))
const times = (m: ProgrammeMove) => say(m.sides.length === 2 ? 'programme.perSide' : 'programme.times', { n: m.repetitions }) + (m.sets > 1 ? ` · ${say('programme.rounds', { n: m.sets })}` : '') + (m.hold_s ? ` · ${m.hold_s} s` : '')
const newPosition = (i: number) => i === 0 || answer.value!.movements[i - 1].position !== answer.value!.movements[i].position

async function attempt(work: () => Promise<void>): Promise<void> {
  busy.value = true
  failed.value = ''
  try {
    await work()
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  } finally {
    busy.value = false
  }
}
const build = () => attempt(() => client.build(context.value, minutes.value))
const out = (m: ProgrammeMove) => attempt(() => client.build(context.value, minutes.value, [m.ref]))
async function choose(m: ProgrammeMove): Promise<void> {
  choosing.value = m
  choices.value = undefined
  await attempt(async () => void (choices.value = await client.swapChoices(m.ref)))
}
async function take(into: string): Promise<void> {
  const from = choosing.value!.ref
  choosing.value = undefined
  await attempt(() => client.swap(from, into))
}
onMounted(() => {
  if (!blocked.value.length) void attempt(async () => {
    await client.openProgramme()
    if (client.programme) context.value = client.programme.context as 'home' | 'visit'
  })
})
</script>

<template>
  <div class="stack">
    <p v-if="blocked.length" class="sheet">{{ say('programme.blocked') }} <RouterLink :to="`/client/${client.id}/story`" class="quiet-action">{{ say('station.story') }}</RouterLink></p>
    <template v-else>
      <div class="row spread">
        <div class="row"><el-radio-group v-model="context" :aria-label="say('station.programme')"><el-radio-button value="home" :label="say('context.home')" /><el-radio-button value="visit" :label="say('context.visit')" /></el-radio-group>
          <label class="row"><el-input-number v-model="minutes" :min="5" :max="90" :step="5" :aria-label="say('story.minutes')" /> min</label></div>
        <div class="row"><span v-if="busy" role="status" class="soft">{{ say('app.loading') }}</span>
          <button type="button" :class="client.programme ? 'quiet-action' : 'main-action'" :disabled="busy" @click="build">{{ client.programme ? say('programme.rebuild') : say('programme.build') }}</button>
          <RouterLink v-if="answer?.movements.length" :to="`/client/${client.id}/papers`" class="main-action">{{ say('programme.toPapers') }}</RouterLink></div>
      </div>
      <p v-if="failed" class="sheet" role="alert">{{ failed }}</p>
      <p v-if="!client.programme && !busy" class="soft">{{ say('programme.none') }}</p>
      <template v-if="answer">
        <div class="row facts"><b>{{ say('programme.minutes', { n: answer.minutes }) }}</b><b>{{ say('programme.changes', { n: answer.changes_of_position }) }}</b><span class="tag">{{ quality }}</span></div>
        <div v-if="client.programme!.violations.length" class="broken" role="alert"><b>{{ say('programme.broken') }}</b><p v-for="v in client.programme!.violations" :key="v.ref + v.side">{{ titleOf(v.ref) }}: {{ v.why }}</p></div>
        <p v-if="!answer.movements.length" class="sheet">{{ say('programme.empty') }}</p>
        <ol class="strip" tabindex="0" :aria-label="say('station.programme')">
          <li v-for="(m, i) in answer.movements" :key="m.ref" class="move">
            <span class="position" :class="{ same: !newPosition(i) }">{{ newPosition(i) ? m.position : ' ' }}</span>
            <div class="card">
              <StepFigure :client-id="client.id" :step-ref="m.ref" :side="m.sides[0]" :values="m.values" :revision="client.view!.revision" :alt="m.title" class="picture" />
              <h3>{{ m.title }}</h3><p class="dose">{{ times(m) }}</p><p class="row spread"><VerdictMark :verdict="m.verdict" /><span class="soft">{{ say('programme.minutes', { n: m.minutes }) }}</span></p><p class="small soft why">{{ m.why }}</p>
              <div class="row"><button type="button" class="quiet-action" :disabled="busy" @click="choose(m)">{{ say('programme.swap') }}</button><button type="button" class="quiet-action" :disabled="busy" @click="out(m)">{{ say('programme.out') }}</button></div>
            </div>
          </li>
        </ol>
        <div class="below">
          <section v-if="answer.obligations.length" class="sheet stack"><h2>{{ say('programme.covers') }}</h2><p v-for="o in answer.obligations" :key="o.id"><b>{{ o.title }}</b><br /><span v-if="o.covered_by.length">{{ o.covered_by.map(titleOf).join(', ') }}</span><span v-else class="bad">{{ say('programme.notCovered') }}: {{ o.why_not }}</span></p></section>
          <section class="sheet stack"><details><summary><h2>{{ say('programme.absent') }} <span class="soft">{{ absent.length }}</span></h2></summary><p v-for="a in absent" :key="a.ref"><b>{{ a.title }}</b><br />{{ a.why }}</p></details></section>
        </div>
      </template>
    </template>
    <el-drawer :model-value="!!choosing" size="460px" :title="choosing ? say('programme.swapFor', { title: choosing.title }) : ''" @close="choosing = undefined">
      <el-skeleton v-if="!choices" :rows="6" animated />
      <ul class="swaps"><li v-for="c in choices" :key="c.ref"><div><b>{{ c.title }}</b><br /><span class="soft small">{{ c.why }}</span><meter :value="c.score" min="0" max="1" :aria-label="c.why" /></div><button type="button" class="quiet-action" @click="take(c.ref)">{{ say('programme.choose') }}</button></li></ul>
    </el-drawer>
  </div>
</template>

<style scoped>
.facts { font-size: var(--text-large); gap: var(--space-5); }
.strip { list-style: none; margin: 0; padding: 0 0 10px; display: grid; grid-auto-flow: column; grid-auto-columns: minmax(256px, 1fr); gap: 10px; overflow-x: auto; }
.move { display: grid; grid-template-rows: 34px 1fr; } .position { font-family: var(--serif); font-weight: 600; border-bottom: 4px solid var(--accent); padding-left: 4px; } .position.same { border-bottom-color: var(--accent); }
.card { background: var(--paper); border: 1px solid var(--line); border-top: 0; border-radius: 0 0 var(--round) var(--round); padding: 10px 14px 14px; display: grid; gap: 6px; grid-template-rows: auto auto auto auto 1fr auto; }
.picture { height: 180px; } .dose { font-size: var(--text-large); font-weight: 700; } .below { display: grid; grid-template-columns: 1fr 1fr; gap: var(--space-4); align-items: start; } .bad { color: var(--brick); }
summary { cursor: pointer; min-height: 44px; } summary h2 { display: inline; } .broken { background: var(--brick-wash); color: var(--brick); border: 2px solid var(--brick); border-radius: var(--round); padding: var(--space-3) var(--space-4); }
.swaps { list-style: none; margin: 0; padding: 0; display: grid; gap: 10px; } .swaps li { display: flex; justify-content: space-between; gap: 12px; align-items: center; border-bottom: 1px solid var(--line); padding-bottom: 10px; } meter { display: block; width: 160px; }
</style>
