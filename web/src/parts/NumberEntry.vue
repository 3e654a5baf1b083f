<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { say } from '../i18n'
import { numberRead, numberShown } from '../i18n/numbers'

/** A number that somebody measured or was told. What cannot be is said beside it and never changed into what can: a slip of a
 * digit would become a measure. It goes on as it was typed, so that whoever keeps it has the last word. */
const props = defineProps<{
  low?: number
  high?: number
  whole?: boolean
  name?: string
  label?: string
  labelledby?: string
  placeholder?: string
  /** What was said of it where it was to be kept. */
  fault?: string
}>()
const value = defineModel<number | null>()
const shown = (n: number | null | undefined): string => (typeof n === 'number' ? numberShown(n) : '')
const text = ref(shown(value.value))
/** What was typed: a number, or the text that is none and that nobody keeps; nothing where nothing stands. */
const asTyped = (): number | undefined => numberRead(text.value) ?? ((text.value.trim() || undefined) as number | undefined)
watch(value, (now) => {
  if (now !== asTyped()) text.value = shown(now)
})

const wrong = computed(() => {
  const n = numberRead(text.value)
  if (n === undefined) return text.value.trim() ? say('number.none', { text: text.value.trim() }) : ''
  if (props.whole && !Number.isInteger(n)) return say('number.whole', { n })
  if (props.low !== undefined && n < props.low) return say('number.under', { n, low: props.low })
  if (props.high !== undefined && n > props.high) return say('number.over', { n, high: props.high })
  return ''
})
const said = ref(false) // nobody is corrected while typing
const mended = ref(false) // what was said elsewhere was said of another number
watch(
  () => props.fault,
  () => (mended.value = false),
)
const fault = computed(() => (said.value && wrong.value) || (!mended.value && props.fault) || '')
function typing(): void {
  said.value = false
  mended.value = true
}
function taken(): void {
  said.value = true
  value.value = asTyped()
}
</script>

<template>
  <span class="typed"
    ><el-input
      v-model="text"
      inputmode="decimal"
      autocomplete="off"
      :name="name"
      :aria-label="label"
      :aria-labelledby="labelledby"
      :aria-invalid="fault ? true : undefined"
      :placeholder="placeholder"
      @input="typing"
      @change="taken"
    /><span v-if="fault" class="bad" role="alert">{{ fault }}</span></span
  >
</template>

<style scoped>
.typed {
  display: inline-grid;
  align-content: start;
  gap: 4px;
}
.bad {
  color: var(--brick);
  font-size: var(--text-small);
}
</style>
