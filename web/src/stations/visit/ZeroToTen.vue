<script setup lang="ts">
/** Nought to ten in one row: one tap. */
const props = defineProps<{ title: string; modelValue?: number }>()
const emit = defineEmits<{ 'update:modelValue': [value: number] }>()
const VALUES = Array.from({ length: 11 }, (_, i) => i)
</script>

<template>
  <fieldset class="scale">
    <legend>{{ props.title }}</legend>
    <button
      v-for="v in VALUES"
      :key="v"
      type="button"
      :aria-pressed="modelValue === v"
      :aria-label="`${props.title}: ${v}`"
      @click="emit('update:modelValue', v)"
    >
      {{ v }}
    </button>
  </fieldset>
</template>

<style scoped>
.scale {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(11, minmax(44px, 1fr));
  gap: 4px;
}
legend {
  padding: 0 0 6px;
  font-weight: 700;
}
button {
  min-height: 48px;
  border: 1.5px solid var(--el-border-color);
  border-radius: var(--round-small);
  background: var(--paper);
  font-size: 20px;
  cursor: pointer;
}
button[aria-pressed='true'] {
  background: var(--accent);
  border-color: var(--accent);
  color: var(--paper);
  font-weight: 700;
}
@media (max-width: 640px) {
  .scale {
    grid-template-columns: repeat(6, 1fr);
  }
}
</style>
