<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { say } from '../../i18n'

/** A rest is a step with a clock; it ends by itself or with a tap. */
const props = defineProps<{ seconds: number; next: string }>()
const emit = defineEmits<{ done: [] }>()
const begun = performance.now()
const passed = ref(0)
const left = computed(() => Math.max(0, Math.ceil(props.seconds - passed.value)))
const { pause } = useIntervalFn(() => {
  passed.value = (performance.now() - begun) / 1000
  if (passed.value >= props.seconds) {
    pause()
    emit('done')
  }
}, 200)
</script>

<template>
  <section class="rest">
    <h2>{{ say('visit.rest') }}</h2>
    <output class="clock">{{ left }}</output>
    <p class="next">{{ say('visit.restNext', { what: next }) }}</p>
    <button type="button" class="main-action big" @click="emit('done')">{{ say('visit.restDone') }}</button>
  </section>
</template>

<style scoped>
.rest {
  display: grid;
  justify-items: center;
  align-content: center;
  gap: var(--space-4);
}
.clock {
  font-size: 220px;
  line-height: 1;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
.next {
  font-size: 30px;
}
.big {
  min-height: 72px;
  font-size: 26px;
  padding: 0 56px;
  border-radius: 36px;
}
</style>
