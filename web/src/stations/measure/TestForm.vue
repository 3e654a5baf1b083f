<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { Refused } from '../../api/client'
import type { TestInfo } from '../../api/types'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'
import TestClock from './TestClock.vue'

const props = defineProps<{ test: TestInfo }>()
const emit = defineEmits<{ kept: [] }>()
const client = useClient()
const entry = reactive<Record<string, string | number | boolean | undefined>>({})
const side = ref('left')
const on = ref(client.view!.case.as_of)
const failed = ref('')
const target = ref('')
const needsSide = computed(() => props.test.per_side && !String(entry.joint ?? '').startsWith('trunk'))
const complete = computed(() => props.test.fields.every((f) => f.optional || f.kind === 'yes_no' || (entry[f.name] !== undefined && entry[f.name] !== '')))

watch(() => props.test.id, () => {
  for (const key of Object.keys(entry)) delete entry[key]
  for (const f of props.test.fields) entry[f.name] = f.kind === 'yes_no' ? false : undefined
  target.value = props.test.fields[0].name
  side.value = 'left'
  on.value = client.view!.case.as_of
  failed.value = ''
}, { immediate: true })

async function keep(): Promise<void> {
  failed.value = ''
  try {
    const filled = Object.fromEntries(Object.entries(entry).filter(([, v]) => v !== undefined && v !== null && v !== ''))
    await client.addTest({ test: props.test.id, on: on.value, ...filled, ...(needsSide.value ? { side: side.value } : {}) })
    if (needsSide.value && side.value === 'left') {
      side.value = 'right'
      entry[props.test.fields[0].name] = undefined
    } else emit('kept')
  } catch (error) {
    failed.value = error instanceof Refused ? error.faults.map((f) => f.reason).join('; ') || error.message : say('app.failed')
  }
}
function timed(value: number): void {
  const max = props.test.fields.find((f) => f.name === target.value)?.high ?? 999
  entry[target.value] = Math.min(value, max)
}
</script>

<template>
  <form class="form" novalidate @submit.prevent="keep">
    <el-radio-group v-if="needsSide" v-model="side" :aria-label="say('measure.side')"><el-radio-button value="left" :label="say('measure.left')" /><el-radio-button value="right" :label="say('measure.right')" /></el-radio-group>
    <TestClock v-if="test.timer" :key="test.id" :kind="test.timer" @value="timed" />
    <div class="fields">
      <component :is="f.kind === 'choice' || f.kind === 'yes_no' ? 'div' : 'label'" v-for="f in test.fields" :key="f.name" class="field">
        <span>{{ f.title }}<span v-if="f.unit" class="soft"> ({{ f.unit }})</span></span>
        <el-select v-if="f.kind === 'choice'" v-model="entry[f.name]" :clearable="f.optional" :aria-label="f.title"><el-option v-for="c in f.choices" :key="c.value" :value="c.value" :label="c.title" /></el-select>
        <el-switch v-else-if="f.kind === 'yes_no'" v-model="entry[f.name] as boolean" :aria-label="f.title" />
        <el-input-number v-else v-model="entry[f.name] as number" :name="f.name" :min="f.low" :max="f.high" :controls="false" :precision="f.kind === 'count' ? 0 : undefined" :aria-label="f.title" @focus="target = f.name" />
      </component>
    </div>
    <label class="row">{{ say('measure.on') }}<input v-model="on" type="date" class="date" :max="client.view!.case.as_of" /></label>
    <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
    <div><button class="main-action" type="submit" :disabled="!complete">{{ say('measure.keep') }}</button></div>
  </form>
</template>

<style scoped>
.form { display: grid; gap: var(--space-4); } .fields { display: grid; grid-template-columns: 1fr 1fr; gap: var(--space-3) var(--space-4); }
.field { display: grid; gap: 4px; } .field .el-input-number { width: 100%; } .date { min-height: 46px; border: 1px solid var(--el-border-color); border-radius: var(--round-small); padding: 0 12px; background: var(--paper); }
.bad { color: var(--brick); }
</style>
