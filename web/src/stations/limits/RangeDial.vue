<script setup lang="ts">
import { computed } from 'vue'
import type { Dial } from './rangeDials'

const props = defineProps<{ dial: Dial }>()
const SWEEP = 180

function arc(share: number, radius: number): string {
  const angle = (Math.PI * Math.min(1, share) * SWEEP) / 180
  const x = 60 - radius * Math.cos(angle)
  const y = 60 - radius * Math.sin(angle)
  return `M${60 - radius} 60A${radius} ${radius} 0 0 1 ${x.toFixed(1)} ${y.toFixed(1)}`
}
const share = (value: number) => value / props.dial.full
const restricted = computed(() => props.dial.free < props.dial.available || props.dial.loaded < props.dial.available)
</script>

<template>
  <figure class="dial">
    <svg viewBox="0 0 120 66" role="img" :aria-label="`${dial.title} ${dial.side}: ${dial.available}°, ${dial.free}° / ${dial.loaded}°`">
      <path :d="arc(1, 50)" class="full" /><path :d="arc(share(dial.available), 50)" class="available" />
      <path :d="arc(1, 38)" class="full" /><path :d="arc(share(dial.free), 38)" class="free" />
      <path :d="arc(1, 26)" class="full" /><path :d="arc(share(dial.loaded), 26)" class="loaded" :class="{ tight: restricted }" />
    </svg>
    <figcaption><b>{{ dial.title }}<template v-if="dial.side">, {{ dial.side }}</template></b><span class="soft small">{{ dial.view }}</span>
      <span class="numbers">{{ dial.available }}° · {{ dial.free }}° · <b>{{ dial.loaded }}°</b></span></figcaption>
  </figure>
</template>

<style scoped>
.dial { margin: 0; display: grid; gap: 4px; justify-items: center; text-align: center; } svg { width: 100%; max-width: 170px; }
path { fill: none; stroke-width: 9; stroke-linecap: butt; } .full { stroke: var(--sunk); } .available { stroke: #9fb0ac; } .free { stroke: #5a8f92; } .loaded { stroke: var(--accent-deep); } .loaded.tight { stroke: var(--brick); }
figcaption { display: grid; } .numbers { font-size: 19px; }
</style>
