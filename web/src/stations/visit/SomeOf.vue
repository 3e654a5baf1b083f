<script setup lang="ts" generic="T extends string">
/** Choices in a row, as many of them as apply. */
const props = defineProps<{ title: string; options: readonly { value: T; says: string }[]; modelValue: readonly T[] }>()
const emit = defineEmits<{ 'update:modelValue': [value: T[]] }>()
const turned = (value: T): T[] =>
  props.modelValue.includes(value) ? props.modelValue.filter((v) => v !== value) : [...props.modelValue, value]
</script>

<template>
  <fieldset class="some">
    <legend>{{ title }}</legend>
    <button
      v-for="o in options"
      :key="o.value"
      type="button"
      class="quiet-action"
      :aria-pressed="modelValue.includes(o.value)"
      @click="emit('update:modelValue', turned(o.value))"
    >
      {{ o.says }}
    </button>
  </fieldset>
</template>

<style scoped>
.some {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
