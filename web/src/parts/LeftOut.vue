<script setup lang="ts">
import { say } from '../i18n'

/** What of a file was not taken, by its place. */
defineProps<{ faults: readonly { path: string; reason: string }[] }>()
</script>

<template>
  <div v-if="faults.length" class="stack" role="status">
    <h3>{{ say('exchange.leftOut') }}</h3>
    <ul class="small">
      <li v-for="(f, i) in faults" :key="i">
        <code>{{ f.path }}</code> {{ f.reason }}
      </li>
    </ul>
  </div>
</template>
