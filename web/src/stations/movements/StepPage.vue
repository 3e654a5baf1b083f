<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { Refused } from '../../api/client'
import type { Movement, Tried, Verdict } from '../../api/types'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'
import VerdictMark from '../../parts/VerdictMark.vue'
import { demandLines } from './demandLines'
import OverrideForm from './OverrideForm.vue'

const props = defineProps<{ movement: Movement; verdicts: Verdict[]; context: 'visit' | 'home' }>()
const emit = defineEmits<{ close: []; go: [ref: string] }>()
const client = useClient()
const side = ref(props.verdicts[0].side)
const verdict = computed(() => props.verdicts.find((v) => v.side === side.value) ?? props.verdicts[0])
const values = reactive<Record<string, number | string>>({})
const tried = ref<Tried>()
const failed = ref('')
const lines = computed(() => (tried.value ? demandLines(tried.value.profile.peaks, client.view!.screen.limits) : []))
const opening = ref('')
let asked = 0

async function attempt(): Promise<void> {
  const mine = ++asked
  try {
    const answer = await client.tryStep(props.movement.family, props.movement.step, side.value, props.context, { ...values })
    if (mine === asked) {
      tried.value = answer
      failed.value = ''
    }
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
}
const later = useDebounceFn(attempt, 120)
watch(() => [props.movement, side.value], () => {
  if (!props.verdicts.some((v) => v.side === side.value)) side.value = props.verdicts[0].side
  for (const key of Object.keys(values)) delete values[key]
  Object.assign(values, verdict.value.original_values)
  tried.value = undefined
  void attempt()
}, { immediate: true })
</script>

<template>
  <el-dialog :model-value="true" width="min(1180px, 96vw)" top="3vh" :title="movement.title" @close="emit('close')">
    <div class="page">
      <div class="stack">
        <div v-if="tried?.svg" class="figure big" v-html="tried.svg" /><div v-else class="figure big waiting" role="status">{{ tried ? tried.profile.fault : say('app.loading') }}</div>
        <template v-if="tried?.modified_svg"><h3>{{ say('movements.solved') }}</h3><div class="figure big solved" v-html="tried.modified_svg" /></template>
        <p v-if="failed" role="alert">{{ failed }}</p>
      </div>
      <div class="stack">
        <div class="row spread"><VerdictMark v-if="tried" :verdict="tried.verdict.verdict" /><el-radio-group v-if="movement.sides" v-model="side" :aria-label="say('movements.side')"><el-radio-button value="left" :label="say('measure.left')" /><el-radio-button value="right" :label="say('measure.right')" /></el-radio-group></div>
        <p v-for="c in tried?.verdict.changes" :key="c.says" class="changed">{{ c.says }}</p>
        <div v-if="tried?.verdict.reasons.length || tried?.verdict.fault" class="stack reasons"><h3>{{ say('movements.reasons') }}</h3>
          <p v-for="r in tried.verdict.reasons" :key="r.limit + r.quantity"><b>{{ r.says }}<template v-if="r.unit !== '0/1'">, here {{ r.value }}</template></b><br />{{ r.reason }}<br /><span class="soft small">{{ r.source }}</span> <button type="button" class="quiet-action" :aria-expanded="opening === r.limit" @click="opening = opening === r.limit ? '' : r.limit">{{ say('override.open') }}</button></p>
          <OverrideForm v-if="tried.verdict.reasons.some((r) => r.limit === opening)" :key="opening" :breach="tried.verdict.reasons.find((r) => r.limit === opening)!" :step="`${movement.family}/${movement.step}`" :side="side" @kept="opening = ''; attempt()" /><p v-if="tried.verdict.fault">{{ tried.verdict.fault }}</p></div>
        <div v-if="verdict.instead.length" class="row"><h3>{{ say('movements.instead') }}</h3><button v-for="i in verdict.instead" :key="i" type="button" class="quiet-action" @click="emit('go', i)">{{ i.replace('/', ': ').replaceAll('_', ' ') }}</button></div>
        <div v-if="movement.parameters.length" class="try stack"><h3>{{ say('movements.try') }}</h3>
          <label v-for="p in movement.parameters" :key="p.id" class="slider"><span class="row spread"><span>{{ p.title }}</span><b>{{ values[p.id] }} {{ p.unit }}</b></span>
            <el-radio-group v-if="p.choices.length" v-model="values[p.id]" @change="later"><el-radio-button v-for="c in p.choices" :key="c" :value="c" :label="c" /></el-radio-group>
            <el-slider v-else v-model="values[p.id] as number" :min="p.low" :max="p.high" :step="p.grid" :show-tooltip="false" :aria-label="p.title" @input="later" /></label></div>
        <table v-if="lines.length" class="demand"><caption class="visually-hidden">{{ say('movements.demand') }}</caption><tbody><tr v-for="l in lines" :key="l.title" :class="{ over: l.over }"><th scope="row">{{ l.title }}</th><td>{{ l.value }}</td><td class="soft">{{ l.bound }}</td></tr></tbody></table>
        <el-collapse><el-collapse-item :title="`${say('movements.setup')} · ${say('movements.cues')} · ${say('movements.faults')}`">
          <ol><li v-for="s in movement.setup" :key="s">{{ s }}</li></ol><p><b>{{ say('movements.breath') }}:</b> {{ movement.breath }}</p><ul><li v-for="c in movement.cues" :key="c">{{ c }}</li></ul>
          <p v-for="f in movement.faults" :key="f.name"><b>{{ f.name }}</b>: {{ f.seen }} – {{ f.means }}. {{ f.cue }}.</p><p><b>{{ say('movements.felt') }}:</b> {{ movement.felt }}. <b>{{ say('movements.notFelt') }}:</b> {{ movement.not_felt }}.</p>
        </el-collapse-item></el-collapse>
      </div>
    </div>
  </el-dialog>
</template>

<style scoped>
.page { display: grid; grid-template-columns: 1.1fr 1fr; gap: var(--space-5); } .big { height: 330px; padding: 10px; } .waiting { display: grid; place-items: center; color: var(--ink-soft); } .solved { height: 250px; outline: 2px solid var(--straw); }
.changed { background: var(--straw-wash); border-radius: var(--round-small); padding: 9px 14px; font-weight: 700; } .reasons { border-left: 5px solid var(--brick); padding-left: 14px; } .slider { display: grid; }
.demand { border-collapse: collapse; width: 100%; } .demand th { text-align: left; font-weight: 400; padding: 4px 0; } .demand td { text-align: right; padding: 4px 0 4px 12px; font-variant-numeric: tabular-nums; } .demand tr { border-bottom: 1px solid var(--line); } .over td:nth-child(2) { color: var(--brick); font-weight: 700; }
</style>
