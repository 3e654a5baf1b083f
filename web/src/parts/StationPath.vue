<script setup lang="ts">
import { useRoute } from 'vue-router'
import type { Station } from '../api/schemas'
import { say } from '../i18n'

defineProps<{ clientId: string; stations: Station[] }>()
const route = useRoute()
</script>

<template>
  <nav class="path" :aria-label="say('station.day')">
    <RouterLink
      v-for="s in stations"
      :key="s.id"
      :to="`/client/${clientId}/${s.id}`"
      class="stone"
      :class="[s.state, { here: route.name === s.id }]"
      :aria-current="route.name === s.id ? 'step' : undefined"
      :title="s.note"
    >
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
        <path
          v-if="s.state === 'done'"
          d="M4 10.5l4 4 8-9"
          fill="none"
          stroke="currentColor"
          stroke-width="2.6"
          stroke-linecap="round"
          stroke-linejoin="round"
        />
        <path v-else-if="s.state === 'stop'" d="M6 2h8l4 4v8l-4 4H6l-4-4V6z" fill="none" stroke="currentColor" stroke-width="2.4" />
        <path
          v-else-if="s.state === 'due'"
          d="M10 3v8l4.5 3"
          fill="none"
          stroke="currentColor"
          stroke-width="2.6"
          stroke-linecap="round"
          stroke-linejoin="round"
        />
        <circle v-else cx="10" cy="10" r="3" fill="currentColor" />
      </svg>
      <span>{{ say(`station.${s.id}`) }}</span><span class="visually-hidden">({{ say(`state.${s.state}`) }})</span>
    </RouterLink>
  </nav>
</template>

<style scoped>
.path {
  display: flex;
  align-items: center;
  background: var(--sunk);
  border-radius: 26px;
  padding: 4px;
  flex-wrap: wrap;
}
.stone {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  min-height: 46px;
  padding: 0 14px;
  border-radius: 23px;
  text-decoration: none;
  color: var(--ink-soft);
}
.stone.due {
  color: var(--straw);
}
.stone.stop {
  color: var(--brick);
}
.stone.done {
  color: var(--accent-deep);
}
.stone.here {
  background: var(--paper);
  color: var(--ink);
  font-weight: 700;
  box-shadow: 0 1px 3px rgb(31 42 48 / 18%);
}
</style>
