<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../i18n'

/** What of a file was not taken: reason by reason, with the places where it was. */
const props = defineProps<{ faults: readonly { path: string; reason: string }[]; bare?: boolean }>()
const reasons = computed(() => {
  const found = new Map<string, string[]>()
  for (const f of props.faults) found.set(f.reason, [...(found.get(f.reason) ?? []), f.path])
  return [...found]
})
const FEW = 3
</script>

<template>
  <div v-if="faults.length" class="stack" role="status">
    <h3 v-if="!bare">{{ say('exchange.leftOut') }}</h3>
    <ul class="small">
      <li v-for="[reason, paths] in reasons" :key="reason">
        <template v-if="paths.length <= FEW">{{ paths.join(', ') }}: {{ reason }}</template>
        <details v-else>
          <summary>{{ say('exchange.places', { n: paths.length }) }}: {{ reason }}</summary>
          {{ paths.join(', ') }}
        </details>
      </li>
    </ul>
  </div>
</template>

<style scoped>
summary {
  min-height: 44px;
  cursor: pointer;
}
</style>
