<script setup lang="ts">
import { usePreferredReducedMotion, useTimeoutFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Movie } from '../api/schemas'
import { say } from '../i18n'

/** Plays the core's own frames of a step at the pace of its breath, and says the breath. */
const props = defineProps<{ load: () => Promise<Movie>; alt: string }>()
const movie = ref<Movie>()
const at = ref(0)
const playing = ref(false)
const failed = ref(false)
const calm = usePreferredReducedMotion()
const beat = computed(() => movie.value?.beats[at.value])
const wait = computed(() => 1000 * (beat.value?.seconds ?? 1))
const { start: arm, stop } = useTimeoutFn(
  () => {
    move(1)
    arm()
  },
  wait,
  { immediate: false },
)

function move(by: number): void {
  const count = movie.value?.beats.length ?? 1
  at.value = (at.value + by + count) % count
}
function play(on: boolean): void {
  playing.value = on
  if (on) arm()
  else stop()
}
async function start(): Promise<void> {
  failed.value = false
  play(false)
  try {
    movie.value = await props.load()
    at.value = 0
    play(calm.value !== 'reduce')
  } catch {
    failed.value = true
  }
}
watch(
  () => props.load,
  () => void start(),
  { immediate: true },
)
const step = (by: number): void => {
  play(false)
  move(by)
}
</script>

<template>
  <div class="player" role="group" :aria-label="alt">
    <p v-if="failed" role="alert">
      {{ say('app.failed') }} <button type="button" class="quiet-action" @click="start">{{ say('app.again') }}</button>
    </p>
    <div v-else-if="movie && beat" class="figure stage" data-testid="player" v-html="movie.frames[beat.frame]" />
    <p v-else class="soft" role="status">{{ say('app.loading') }}</p>
    <div v-if="movie && beat" class="row keys">
      <b class="breath" :class="beat.breath" data-testid="breath">{{ say(`breath.${beat.breath}`) }}</b>
      <button type="button" class="quiet-action" :aria-label="say('player.back')" @click="step(-1)">◂</button>
      <button type="button" class="quiet-action" @click="play(!playing)">{{ say(playing ? 'player.pause' : 'player.play') }}</button>
      <button type="button" class="quiet-action" :aria-label="say('player.on')" @click="step(1)">▸</button>
      <span class="soft small">{{ say('player.frame', { n: beat.frame + 1, of: movie.frames.length }) }}</span>
    </div>
  </div>
</template>

<style scoped>
.player {
  display: grid;
  gap: 6px;
}
.stage {
  height: 330px;
  padding: 10px;
}
.keys {
  justify-content: center;
}
.breath {
  min-width: 148px;
  text-align: center;
  padding: 8px 14px;
  border-radius: var(--round);
  border: 2px solid var(--accent);
  font-size: var(--text-large);
}
.breath.in {
  background: var(--paper);
}
.breath.out {
  background: var(--accent);
  color: var(--paper);
}
.breath.on {
  border-style: dashed;
}
</style>
