<script setup lang="ts">
import type { Fit } from '../../api/schemas'
import { say } from '../../i18n'
import { numberShown } from '../../i18n/numbers'

defineProps<{ fit: Fit }>()
</script>

<template>
  <article class="fit" :class="{ bad: !fit.fits }">
    <!-- the core's own drawing of this person with this measure -->
    <div v-if="fit.svg" class="figure drawing" v-html="fit.svg" />
    <div class="words">
      <p class="row spread">
        <b>{{ fit.title }}</b><b v-if="fit.value > 0" class="number">{{ numberShown(fit.value) }} {{ fit.unit }}</b>
      </p>
      <p>
        <svg v-if="!fit.fits" width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
          <path d="M5 1h8l4 4v8l-4 4H5l-4-4V5z" fill="none" stroke="currentColor" stroke-width="2" /></svg
        ><span v-if="!fit.fits" class="visually-hidden">{{ say('room.not') }}: </span>{{ fit.says }}
      </p>
      <p class="small soft">{{ fit.source }}</p>
    </div>
  </article>
</template>

<style scoped>
.fit {
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: var(--round);
  padding: 10px;
  display: grid;
  gap: 8px;
  align-content: start;
}
.drawing {
  height: 180px;
  padding: 6px;
}
.number {
  font-size: var(--text-large);
  white-space: nowrap;
}
.bad {
  border: 2px solid var(--brick);
}
.bad .words p:nth-child(2) {
  color: var(--brick);
}
</style>
