<script setup lang="ts">
import { usePreferredReducedMotion, useTimeoutFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Beat } from '../../api/schemas'
import { say } from '../../i18n'

/**
 * The figure moving with the breath: first what settles, then one repetition after the other.  The ring grows with the breath
 * in and shrinks with the breath out, and the word stands in it, so that neither colour nor motion is needed.
 */
const props = defineProps<{
  frames: string[]
  settling: Beat[]
  beats: Beat[]
  round: string
  sound: boolean
  vibration: boolean
  alt: string
}>()
const calm = usePreferredReducedMotion()
const settled = ref(0)
const at = ref(0)
const all = computed(() => [...props.settling.slice(settled.value), ...props.beats])
const beat = computed(() => all.value[at.value])
/** The two breaths, without the second between contraction and movement. */
const settling = computed(() => at.value < props.settling.length - settled.value - 1)
const picture = computed(() => props.frames[Math.min(beat.value?.frame ?? 0, props.frames.length - 1)] ?? '')
const wait = computed(() => 1000 * (beat.value?.seconds ?? 1))
/** How long this breath lasts in all, so that the ring takes as long. */
const breathS = computed(() => {
  let sum = 0
  for (let i = at.value; i < all.value.length && all.value[i]!.breath === beat.value?.breath; i++) sum += all.value[i]!.seconds
  return sum
})
const { start: arm, stop } = useTimeoutFn(
  () => {
    const last = beat.value?.breath
    at.value = at.value + 1 < all.value.length ? at.value + 1 : 0
    if (at.value === 0) settled.value = props.settling.length
    if (beat.value?.breath !== last) signal()
    arm()
  },
  wait,
  { immediate: false },
)

function begin(settle: boolean): void {
  settled.value = settle ? 0 : Math.max(0, props.settling.length - 1) // the second between contraction and movement stays
  at.value = 0
  stop()
  if (all.value.length) arm()
}
function signal(): void {
  if (props.vibration) navigator.vibrate?.(beat.value?.breath === 'out' ? [60, 60, 60] : 60)
  if (props.sound) tone(beat.value?.breath === 'out' ? 330 : 440)
}
let audio: AudioContext | undefined
function tone(hz: number): void {
  audio ??= new AudioContext()
  const source = audio.createOscillator()
  const volume = audio.createGain()
  volume.gain.setValueAtTime(0.08, audio.currentTime)
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.35)
  source.frequency.value = hz
  source.connect(volume).connect(audio.destination)
  source.start()
  source.stop(audio.currentTime + 0.4)
}
// A new set settles first; a new repetition of the same set begins with the contraction.
watch(
  () => props.round,
  (now, before) => begin(now.split(':')[0] !== before?.split(':')[0]),
  { immediate: true },
)
</script>

<template>
  <div class="pacer">
    <div class="figure stage" role="img" :aria-label="alt" v-html="picture" />
    <div v-if="beat" class="breath" :class="[beat.breath, { calm: calm === 'reduce' }]" :style="{ '--s': `${breathS}s` }">
      <span class="ring" aria-hidden="true" />
      <b data-testid="breath">{{ say(`visit.breath.${beat.breath}`) }}</b>
      <span v-if="settling" class="small settle">{{ say('visit.settle') }}</span>
    </div>
  </div>
</template>

<style scoped>
.pacer {
  display: grid;
  grid-template-rows: 1fr auto;
  min-height: 0;
  gap: var(--space-3);
}
.stage {
  min-height: 0;
  padding: 12px;
}
.breath {
  display: grid;
  grid-template-columns: 112px 1fr;
  align-items: center;
  min-height: 112px;
  gap: var(--space-4);
}
.breath b {
  font-size: 54px;
  line-height: 1;
}
.settle {
  grid-column: 2;
}
.ring {
  grid-row: 1 / span 2;
  justify-self: center;
  width: 100px;
  height: 100px;
  border-radius: 50%;
  border: 8px solid var(--accent);
}
.in .ring {
  animation: widen var(--s) ease-in-out both;
}
.out .ring {
  background: var(--accent);
  animation: narrow var(--s) ease-in-out both;
}
.on .ring {
  border-style: dashed;
  transform: scale(0.7);
}
.calm .ring {
  animation: none;
}
.calm.out .ring {
  transform: scale(0.45);
}
@keyframes widen {
  from {
    transform: scale(0.4);
  }
  to {
    transform: scale(1);
  }
}
@keyframes narrow {
  from {
    transform: scale(1);
  }
  to {
    transform: scale(0.4);
  }
}
</style>
