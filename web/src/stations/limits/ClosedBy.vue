<script setup lang="ts">
import { computed } from 'vue'
import type { Limit } from '../../api/schemas'
import { say } from '../../i18n'
import { closedBy } from './limitRows'

/** At a glance: how much is closed by what is known, by a person's word, and how much only waits for a test. */
const props = defineProps<{ limits: Limit[]; closes: (id: string) => string[] }>()
const emit = defineEmits<{ go: [where: 'binds' | 'waits'] }>()
const n = computed(() => closedBy(props.limits, props.closes))
const TILES = [
  ['known', 'binds'],
  ['said', 'binds'],
  ['waits', 'waits'],
] as const
</script>

<template>
  <div class="tiles" data-testid="closed-by">
    <button
      v-for="[kind, where] in TILES"
      :key="kind"
      type="button"
      class="tile"
      :class="kind"
      :disabled="!n[kind]"
      @click="emit('go', where)"
    >
      <b>{{ n[kind] }}</b><span>{{ say(`limits.by.${kind}`) }}</span>
    </button>
  </div>
</template>

<style scoped>
.tiles {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-3);
}
.tile {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  text-align: left;
  min-height: 64px;
  padding: 10px 16px;
  background: var(--paper);
  border: 1px solid var(--line);
  border-left: 6px solid var(--accent);
  border-radius: var(--round-small);
  cursor: pointer;
  line-height: 1.25;
}
.tile:disabled {
  cursor: default;
}
.tile b {
  font-size: 28px;
  font-family: var(--serif);
}
.said {
  border-left-color: var(--straw);
  background: var(--straw-wash);
}
.waits {
  border-left: 6px dotted var(--ink-soft);
}
@media (max-width: 700px) {
  .tiles {
    grid-template-columns: 1fr;
  }
}
</style>
