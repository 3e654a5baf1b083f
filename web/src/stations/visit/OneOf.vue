<script setup lang="ts" generic="T extends string">
/** A few choices in a row, one of them taken. */
const props = defineProps<{ title: string; options: readonly { value: T; says: string }[]; modelValue?: T; bare?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
</script>

<template>
  <fieldset class="one">
    <legend :class="{ 'visually-hidden': bare }">{{ props.title }}</legend>
    <button
      v-for="o in options"
      :key="o.value"
      type="button"
      class="quiet-action"
      :aria-pressed="modelValue === o.value"
      @click="emit('update:modelValue', o.value)"
    >
      {{ o.says }}
    </button>
  </fieldset>
</template>

<style scoped>
.one {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
legend {
  padding: 0 0 6px;
  font-weight: 700;
}
</style>
