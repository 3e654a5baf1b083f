<script setup lang="ts">
import type { VerdictKind } from '../api/schemas'
import { say } from '../i18n'

defineProps<{ verdict: VerdictKind; quiet?: boolean }>()
</script>

<template>
  <span class="mark" :class="verdict">
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
      <path v-if="verdict === 'as_is'" d="M2 11C2 5 7 2 16 2c0 9-3 14-9 14-3 0-5-2-5-5z" fill="currentColor" />
      <path
        v-else-if="verdict === 'modified'"
        d="M2 13c4 0 4-8 7-8s3 8 7 8"
        fill="none"
        stroke="currentColor"
        stroke-width="3"
        stroke-linecap="round"
      />
      <path
        v-else-if="verdict === 'by_override'"
        d="M3 15V3l12 12V3"
        fill="none"
        stroke="currentColor"
        stroke-width="2.6"
        stroke-linejoin="round"
      />
      <path
        v-else-if="verdict === 'not_judged'"
        d="M9 2.5a6.5 6.5 0 1 1-.01 0z"
        fill="none"
        stroke="currentColor"
        stroke-width="2.6"
        stroke-dasharray="3.2 3.2"
      />
      <path v-else d="M3 3h12v12H3zM3 9h12" fill="none" stroke="currentColor" stroke-width="2.6" />
    </svg>
    <span :class="{ 'visually-hidden': quiet }">{{ say(`verdict.${verdict}`) }}</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  font-weight: 700;
  white-space: nowrap;
}
.as_is {
  color: var(--accent-deep);
}
.modified,
.by_override {
  color: var(--straw);
}
.excluded {
  color: var(--brick);
}
.not_judged {
  color: var(--ink-soft);
}
</style>
