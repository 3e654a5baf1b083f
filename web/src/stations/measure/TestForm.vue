<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { TestInfo } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import FieldEntry from '../../parts/FieldEntry.vue'
import { useClient } from '../../stores/client'
import TestClock from './TestClock.vue'

const props = defineProps<{ test: TestInfo }>()
const emit = defineEmits<{ kept: [] }>()
const client = useClient()
const entry = reactive<Record<string, unknown>>({})
const trials = ref<number[]>([])
const side = ref('left')
const on = ref(client.view!.case.as_of)
const { busy, failed, attempt } = useAttempt()
const target = ref('')
const main = computed(
  () => props.test.fields.find((f) => (f.kind === 'number' || f.kind === 'count') && !f.optional) ?? props.test.fields[0],
)
const told = (f: TestInfo['fields'][number]): boolean =>
  (entry[f.name] !== undefined && entry[f.name] !== '') || (f.name === main.value?.name && trials.value.length > 0)
const begunTo = computed(() => props.test.fields.some((f) => !f.optional && told(f)))
const open = computed(() => props.test.fields.filter((f) => !f.optional && !told(f)))

/** What was begun of a test while another one is looked at, or is not kept yet: it is there again when the test is opened. */
interface Draft {
  entry: Record<string, unknown>
  trials: number[]
  side: string
  on: string
}
const drafts = new Map<string, Partial<Draft>>()
const asItIs = (): Draft => ({ entry: { ...entry }, trials: [...trials.value], side: side.value, on: on.value })
const alike = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other)
function fill(draft: Draft): void {
  for (const key of Object.keys(entry)) delete entry[key]
  Object.assign(entry, draft.entry)
  trials.value = draft.trials
  side.value = draft.side
  on.value = draft.on
}
const unfilled = (): Draft => ({
  entry: Object.fromEntries(props.test.fields.map((f) => [f.name, f.first ?? undefined])),
  trials: [],
  side: 'left',
  on: client.view!.case.as_of,
})
watch(
  () => props.test.id,
  (id, left) => {
    if (left) drafts.set(left, asItIs())
    fill({ ...unfilled(), ...drafts.get(id) })
    target.value = main.value?.name ?? ''
    failed.value = ''
  },
  { immediate: true },
)

function result(): Record<string, unknown> {
  const filled = Object.fromEntries(Object.entries(entry).filter(([, v]) => v !== undefined && v !== null && v !== ''))
  if (trials.value.length) delete filled[main.value.name]
  return {
    test: props.test.id,
    on: on.value,
    ...filled,
    ...(trials.value.length ? { trials: trials.value } : {}),
    ...(props.test.per_side ? { side: side.value } : {}),
  }
}
async function keep(): Promise<void> {
  const sent = asItIs()
  const { id, title, per_side } = props.test
  const next = { side: per_side && sent.side === 'left' ? 'right' : 'left', on: sent.on }
  if (!(await attempt(() => client.addTest(result())))) {
    // Another test is open by now: it is not this one whose result is lost.
    if (failed.value && props.test.id !== id) failed.value = say('measure.notKept', { test: title, why: failed.value })
    return
  }
  if (props.test.id !== id && alike(drafts.get(id), sent)) drafts.set(id, next.side === 'right' ? next : {})
  if (props.test.id !== id || !alike(asItIs(), sent)) return // somebody went on while it was sent
  if (next.side === 'right') fill({ ...unfilled(), ...next })
  else {
    fill(unfilled())
    emit('kept')
  }
}
function timed(value: number): void {
  const max = props.test.fields.find((f) => f.name === target.value)?.high || 999
  const taken = Math.min(value, max)
  if (props.test.trials && props.test.timer === 'stopwatch') trials.value.push(taken)
  else entry[target.value] = taken
}
function another(): void {
  const value = entry[main.value.name]
  if (typeof value !== 'number') return
  trials.value.push(value)
  entry[main.value.name] = undefined
}
</script>

<template>
  <form class="form" novalidate @submit.prevent="keep">
    <el-radio-group v-if="test.per_side" v-model="side" :aria-label="say('measure.side')"
      ><el-radio-button value="left" :label="say('side.left')" /><el-radio-button value="right" :label="say('side.right')"
    /></el-radio-group>
    <TestClock v-if="test.timer" :key="test.id" :kind="test.timer" @value="timed" />
    <div class="fields">
      <FieldEntry
        v-for="f in test.fields"
        :id="test.id"
        :key="f.name"
        v-model="entry[f.name]"
        :field="f"
        :today="client.view!.case.as_of"
        named
        @focusin="target = f.name"
      />
    </div>
    <div v-if="test.trials" class="row trials">
      <button type="button" class="quiet-action" :disabled="typeof entry[main.name] !== 'number'" @click="another">
        {{ say('measure.another') }}
      </button>
      <span v-for="(t, i) in trials" :key="i" class="tag"
        >{{ t }} <button type="button" :aria-label="say('story.remove')" @click="trials.splice(i, 1)">×</button></span
      >
      <span class="soft small">{{ say(`measure.takes_${test.trials}`) }}</span>
    </div>
    <label class="row">{{ say('measure.on') }}<input v-model="on" type="date" class="date" :max="client.view!.case.as_of" /></label>
    <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
    <p v-if="begunTo && open.length" class="small">{{ say('story.open', { what: open.map((f) => f.title).join(', ') }) }}</p>
    <div>
      <button class="main-action" type="submit" :disabled="busy || open.length > 0">{{ say('measure.keep') }}</button>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: var(--space-3);
}
.fields {
  display: grid;
  gap: 8px;
}
.date {
  min-height: 46px;
  border: 1px solid var(--el-border-color);
  border-radius: var(--round-small);
  padding: 0 12px;
  background: var(--paper);
}
.bad {
  color: var(--brick);
}
.trials .tag button {
  border: 0;
  background: transparent;
  min-width: 30px;
  min-height: 30px;
  cursor: pointer;
}
</style>
