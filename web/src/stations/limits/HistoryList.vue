<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../../i18n'
import { momentShown } from '../../i18n/days'
import { useClient } from '../../stores/client'

const client = useClient()
const entries = computed(() => client.history)
const failed = computed(() => client.historyFailed)
client.askHistory()
</script>

<template>
  <p v-if="failed" role="alert">
    {{ failed }} <button type="button" class="quiet-action" @click="client.askHistoryAgain">{{ say('app.again') }}</button>
  </p>
  <p v-else-if="!entries" class="soft">{{ say('app.loading') }}</p>
  <ol v-else class="history">
    <li v-for="e in entries" :key="e.revision">
      <b>{{ e.reason }}</b> <span class="soft small">{{ momentShown(e.on) }} · {{ e.by }}</span>
      <p v-for="m in e.limits" :key="m.id" class="small">
        <span class="tag">{{ say(`moved.${m.change}`) }}</span> {{ m.was }}<template v-if="m.change === 'moved'"> → </template>{{ m.says }}
      </p>
    </li>
  </ol>
</template>

<style scoped>
.history {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
}
.history li {
  border-left: 4px solid var(--line);
  padding-left: 12px;
  display: grid;
  gap: 4px;
}
</style>
