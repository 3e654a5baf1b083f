<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { got, http } from '../../api/client'
import type { Batch, LeftOut } from '../../api/schemas'
import { shareOf } from '../../api/underWay'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'

/** One file with the hand-outs of the clients on screen. */
const props = defineProps<{ clients: string[] }>()
const made = ref<Batch>()
const share = shareOf('/papers/batches')
const percent = computed(() => Math.round(100 * (share.value ?? 0)))
const { busy, failed, attempt } = useAttempt()
/** Who has none, by the reason. */
const without = computed(() => {
  const found = new Map<string, LeftOut[]>()
  for (const l of made.value?.left_out ?? []) found.set(l.why, [...(found.get(l.why) ?? []), l])
  return [...found]
})
const address = computed(() => `/api/v1/papers/batches/${made.value?.id}.pdf`)
const make = () =>
  attempt(async () => {
    made.value = await got(http.POST('/api/v1/papers/batches', { body: { kind: 'hand-out', clients: props.clients } }))
  })
watch(
  () => props.clients.join(),
  () => {
    made.value = undefined
  },
)
</script>

<template>
  <section class="papers" :aria-label="say('day.papers')">
    <div class="row spread">
      <button type="button" class="quiet-action" :disabled="busy" @click="make">{{ say('day.papers') }}</button>
      <el-progress v-if="busy" :percentage="percent" :show-text="false" :aria-label="say('app.loading')" class="bar" />
      <a v-else-if="made?.pages" :href="address" target="_blank" rel="noopener" class="main-action">{{
        say('day.papersOpen', { n: made.pages })
      }}</a>
    </div>
    <p v-if="failed" role="alert">{{ failed }}</p>
    <div v-if="without.length" class="small" role="status">
      <p v-for="[why, who] in without" :key="why">
        <b>{{ why }}</b><template v-for="(l, i) in who" :key="l.id"
          >{{ i ? ', ' : ' ' }}<RouterLink :to="`/client/${l.id}/programme`">{{ l.name }}</RouterLink></template
        >
      </p>
    </div>
  </section>
</template>

<style scoped>
.papers {
  display: grid;
  gap: var(--space-3);
}
.bar {
  flex: 1;
  max-width: 280px;
}
</style>
