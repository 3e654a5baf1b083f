<script setup lang="ts">
/** A button that asks for one file; the same file may be chosen again. */
defineProps<{ title: string; accept: string; disabled?: boolean }>()
const emit = defineEmits<{ chosen: [file: File] }>()

function chosen(event: Event): void {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  if (file) emit('chosen', file)
  input.value = ''
}
</script>

<template>
  <label class="quiet-action pick" :class="{ disabled }">
    {{ title }}<input type="file" class="visually-hidden" :accept="accept" :disabled="disabled" @change="chosen" />
  </label>
</template>

<style scoped>
.pick {
  position: relative;
  justify-self: start;
  cursor: pointer;
}
.pick:focus-within {
  outline: 3px solid var(--accent);
  outline-offset: 2px;
}
.disabled {
  opacity: 0.5;
}
</style>
