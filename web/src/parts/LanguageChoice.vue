<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { LANGUAGES, language, say, speak, type Language } from '../i18n'

const queries = useQueryClient()
/** What the server has said is said anew in the other language. */
async function choose(chosen: Language): Promise<void> {
  await speak(chosen)
  void queries.invalidateQueries()
}
</script>

<template>
  <span class="languages" role="group" :aria-label="say('language.title')">
    <button
      v-for="one in LANGUAGES"
      :key="one"
      class="quiet-action"
      type="button"
      :lang="one"
      :aria-pressed="language() === one"
      @click="choose(one)"
    >
      {{ say(`language.${one}`) }}
    </button>
  </span>
</template>

<style scoped>
.languages {
  display: inline-flex;
  gap: 4px;
}
button[aria-pressed='true'] {
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 4px;
}
</style>
