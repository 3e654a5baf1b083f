<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { got, http } from '../api/client'
import { say } from '../i18n'
import { weekdayShown } from '../i18n/days'
import { inWords } from '../stores/answers'
import { useSession } from '../stores/session'
import { useAttempt } from './attempt'

/** The next visit of a client: when it is, or the days that would suit, one tap each. */
const props = defineProps<{ clientId: string }>()
const session = useSession()
const queries = useQueryClient()
const params = computed(() => ({ path: { client_id: props.clientId } }))
const key = computed(() => ['next-visit', props.clientId])
const asked = useQuery({
  queryKey: key,
  queryFn: () => got(http.GET('/api/v1/clients/{client_id}/next-visit', { params: params.value })),
  staleTime: 0,
})
const found = computed(() => asked.data.value)
const { busy, failed, attempt } = useAttempt()
const changing = ref(false)
const on = ref('')
const at = ref('')
const may = computed(() => session.may('log'))

async function plan(day: string | null, hour: string | null): Promise<void> {
  const kept = await attempt(async () => {
    const body = { on: day, at: hour }
    queries.setQueryData(key.value, await got(http.PUT('/api/v1/clients/{client_id}/next-visit', { params: params.value, body })))
    await queries.invalidateQueries({ queryKey: ['day'] })
  })
  if (kept) changing.value = false
}
</script>

<template>
  <section v-if="found" class="next-visit stack" :aria-label="say('next.title')">
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <template v-if="found.on && found.at && !changing">
      <p class="when" role="status">
        {{ say('next.title') }}: <b>{{ weekdayShown(found.on) }}, {{ found.at }}</b>
      </p>
      <p v-if="found.expected.length" class="small bad">{{ say('next.expected', { who: found.expected.join(', ') }) }}</p>
      <div v-if="may" class="row">
        <button type="button" class="quiet-action" @click="changing = true">{{ say('next.change') }}</button>
        <button type="button" class="quiet-action" :disabled="busy" @click="plan(null, null)">{{ say('next.none') }}</button>
      </div>
    </template>
    <template v-else-if="may">
      <p v-if="found.missed" class="small bad">{{ say('next.missed', { day: weekdayShown(found.missed) }) }}</p>
      <h2 class="ask">{{ say('next.ask') }}</h2>
      <div class="row days">
        <button v-for="s in found.suggested" :key="s.on" type="button" class="quiet-action day" :disabled="busy" @click="plan(s.on, s.at)">
          <b>{{ weekdayShown(s.on) }}, {{ s.at }}</b>
          <span class="small soft">{{ s.why }}</span>
          <span v-if="s.expected.length" class="small bad">{{ say('next.expected', { who: s.expected.join(', ') }) }}</span>
        </button>
      </div>
      <details>
        <summary>{{ say('next.other') }}</summary>
        <form class="row" @submit.prevent="plan(on, at)">
          <label>{{ say('next.day') }} <input v-model="on" type="date" class="date" required /></label>
          <label>{{ say('next.hour') }} <input v-model="at" type="time" class="date" required /></label>
          <button type="submit" class="quiet-action" :disabled="busy || !on || !at">{{ say('next.keep') }}</button>
        </form>
      </details>
    </template>
  </section>
  <p v-else-if="asked.error.value" class="small soft" role="status">{{ inWords(asked.error.value) }}</p>
</template>

<style scoped>
.ask {
  font-size: 20px;
}
.when {
  font-size: 20px;
}
.day {
  display: grid;
  gap: 2px;
  justify-items: start;
  text-align: left;
  padding: 10px 18px;
  min-height: 64px;
  border-radius: var(--round);
  white-space: normal;
}
.bad {
  color: var(--brick);
}
</style>
