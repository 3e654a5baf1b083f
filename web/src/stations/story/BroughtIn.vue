<script setup lang="ts">
import { say } from '../../i18n'
import LeftOut from '../../parts/LeftOut.vue'

/** A client that has come in from elsewhere: what was not taken, and the way to the story. */
defineProps<{ client: { id: string; left_out: { path: string; reason: string }[] } }>()
</script>

<template>
  <p role="status">{{ say('exchange.broughtIn') }}</p>
  <LeftOut :faults="client.left_out" />
  <div>
    <RouterLink class="main-action" :to="`/client/${client.id}/story`">{{ say('exchange.openClient') }}</RouterLink>
  </div>
</template>
