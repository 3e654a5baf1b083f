<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { say } from '../../i18n'
import { numberShown } from '../../i18n/numbers'

const props = defineProps<{ kind: string }>()
const emit = defineEmits<{ value: [value: number] }>()
const running = ref(false)
const begun = ref(0)
const elapsed = ref(0)
const count = ref(0)
const limit = computed(() => (props.kind === 'counter' ? 30 : 0))
const shown = computed(() => numberShown(limit.value ? Math.max(0, limit.value - elapsed.value) : elapsed.value, 1))
const { pause, resume } = useIntervalFn(
  () => {
    elapsed.value = (performance.now() - begun.value) / 1000
    if (limit.value && elapsed.value >= limit.value) stop()
  },
  100,
  { immediate: false },
)

function start(): void {
  begun.value = performance.now() - elapsed.value * 1000
  running.value = true
  resume()
}
function stop(): void {
  pause()
  running.value = false
  if (!limit.value) emit('value', Math.round(elapsed.value * 10) / 10)
}
function reset(): void {
  pause()
  running.value = false
  elapsed.value = count.value = 0
}
function tally(): void {
  count.value += 1
  emit('value', count.value)
}
</script>

<template>
  <div class="clock">
    <output>{{ shown }}<small> s</small></output>
    <button type="button" class="quiet-action" @click="running ? stop() : start()">
      {{ running ? say('measure.stop') : say('measure.start') }}
    </button>
    <button v-if="kind === 'counter'" type="button" class="tally" @click="tally">
      {{ say('measure.count') }} <b>{{ count }}</b>
    </button>
    <button type="button" class="quiet-action" @click="reset">{{ say('measure.reset') }}</button>
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  background: var(--sunk);
  border-radius: var(--round);
  padding: var(--space-3) var(--space-4);
}
output {
  font-size: 44px;
  min-width: 150px;
  font-variant-numeric: tabular-nums;
  line-height: 1;
}
small {
  font-size: 20px;
}
.tally {
  min-height: 64px;
  min-width: 150px;
  border-radius: 32px;
  border: 0;
  background: var(--accent);
  color: var(--paper);
  font-size: 20px;
  cursor: pointer;
}
</style>
