<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Values } from '../api/schemas'
import { figureAddress } from '../stores/client'

const props = defineProps<{ clientId: string; stepRef: string; side: string; values: Values; revision: number; alt: string }>()
const missing = ref(false)
const address = computed(() => figureAddress(props.clientId, props.stepRef, props.side, props.values, props.revision))
watch(address, () => (missing.value = false))
</script>

<template>
  <div class="figure box">
    <img v-if="!missing" :src="address" :alt="alt" loading="lazy" @error="missing = true" /><span v-else class="soft small">{{ alt }}</span>
  </div>
</template>

<style scoped>
.box {
  display: grid;
  place-items: center;
  grid-template: minmax(0, 1fr) / minmax(0, 1fr);
  overflow: hidden;
  padding: 6px;
}
img {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
}
</style>
