<script setup lang="ts">
/** A page for whoever is not in yet: one card in the middle of the screen. */
defineProps<{ title: string; failed?: string }>()
const emit = defineEmits<{ send: [] }>()
</script>

<template>
  <main class="door">
    <section class="sheet card">
      <slot name="above" />
      <h1>{{ title }}</h1>
      <slot name="said" />
      <form v-if="$slots.default" class="stack" @submit.prevent="emit('send')">
        <slot />
        <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
        <slot name="go" />
      </form>
    </section>
  </main>
</template>

<style scoped>
.door {
  min-height: 92vh;
  display: grid;
  place-items: center;
}
.card {
  width: min(440px, 92vw);
  display: grid;
  gap: var(--space-3);
  padding: var(--space-6);
}
:slotted(label) {
  display: grid;
  gap: 4px;
}
.bad {
  color: var(--brick);
}
:slotted(.main-action) {
  justify-content: center;
}
</style>
