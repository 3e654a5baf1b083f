<script setup lang="ts">
import { ref } from 'vue'
import { got, http } from '../../api/client'
import type { Between } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import type { MessageKey } from '../../i18n'
import { dayOf } from '../../offline/here'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'

/** How this client stood on an earlier day, and what has changed between two days. */
const client = useClient()
const WEEKS_BACK_MS = 8 * 7 * 24 * 3600 * 1000
const first = ref(dayOf(new Date(Date.now() - WEEKS_BACK_MS)))
const second = ref(client.view!.case.as_of)
const found = ref<Between>()
const { busy, failed, attempt } = useAttempt()
const LISTS: [keyof Pick<Between, 'came' | 'went' | 'opened' | 'closed'>, MessageKey][] = [
  ['came', 'between.came'],
  ['went', 'between.went'],
  ['opened', 'between.opened'],
  ['closed', 'between.closed'],
]

const look = (): Promise<boolean> =>
  attempt(async () => {
    found.value = undefined
    const path = { client_id: client.id, first: first.value, second: second.value }
    found.value = await got(http.GET('/api/v1/clients/{client_id}/between/{first}/{second}', { params: { path } }))
  })
</script>

<template>
  <section class="stack between">
    <h3>{{ say('between.title') }}</h3>
    <form class="row" @submit.prevent="look">
      <label>{{ say('between.first') }} <input v-model="first" type="date" class="date" :max="second" required /></label>
      <label>{{ say('between.second') }} <input v-model="second" type="date" class="date" :max="client.view!.case.as_of" required /></label>
      <button type="submit" class="quiet-action" :disabled="busy">{{ say('between.look') }}</button>
    </form>
    <p v-if="busy" role="status" class="soft">{{ say('app.loading') }}</p>
    <p v-if="failed" role="alert">{{ failed }}</p>
    <template v-if="found">
      <p v-for="d in [found.first, found.second]" :key="d.day" class="small">
        <b>{{ dayShown(d.day) }}</b>
        {{
          d.programme
            ? say('between.stood', { n: d.limits.length, movements: d.movements.length })
            : say('between.stoodBare', { n: d.limits.length })
        }}
        <span class="soft">{{ say('between.entry', { reason: d.reason, at: dayShown(d.entered_at), by: d.by || '–' }) }}</span>
        <span v-if="d.stop_signs.length" class="tag">{{ d.stop_signs.join(', ') }}</span>
      </p>
      <p v-for="m in found.limits" :key="m.id" class="small">
        <span class="tag">{{ say(`moved.${m.change}`) }}</span> {{ m.was }}<template v-if="m.change === 'moved'"> → </template>{{ m.says }}
      </p>
      <template v-for="[name, title] in LISTS" :key="name">
        <details v-if="found[name].length" class="small" :open="found[name].length <= 8">
          <summary>{{ say(title, { n: found[name].length }) }}</summary>
          <ul>
            <li v-for="m in found[name]" :key="m">{{ m }}</li>
          </ul>
        </details>
      </template>
      <p v-if="!found.limits.length && LISTS.every(([name]) => !found![name].length)" class="soft">{{ say('between.same') }}</p>
    </template>
  </section>
</template>

<style scoped>
.between {
  border-top: 1px solid var(--line);
  padding-top: var(--space-3);
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
.date {
  min-height: 44px;
}
</style>
