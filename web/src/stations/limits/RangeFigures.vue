<script setup lang="ts">
import { ref, watch } from 'vue'
import { say } from '../../i18n'
import type { MessageKey } from '../../i18n'
import { useClient } from '../../stores/client'

const client = useClient()
const VIEWS = ['side', 'front', 'above'] as const
const drawings = ref<Record<string, string>>({})
watch(() => client.view?.revision, async () => {
  for (const view of VIEWS) {
    const answer = await fetch(`/api/v1/clients/${client.id}/ranges/${view}`)
    if (answer.ok) drawings.value = { ...drawings.value, [view]: await answer.text() }
  }
}, { immediate: true })
</script>

<template>
  <div class="views">
    <figure v-for="view in VIEWS" :key="view"><div class="drawing" v-html="drawings[view] ?? ''" /><figcaption class="soft">{{ say(`limits.${view}` as MessageKey) }}</figcaption></figure>
  </div>
</template>

<style scoped>
.views { display: grid; grid-template-columns: 1fr 1.25fr 0.9fr; gap: var(--space-3); align-items: end; } figure { margin: 0; text-align: center; }
.drawing { height: 400px; } .drawing :deep(svg) { width: 100%; height: 100%; }
@media (max-width: 1100px) { .drawing { height: 320px; } }
</style>
