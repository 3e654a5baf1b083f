<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { got, http } from '../../api/client'

import { say } from '../../i18n'
import { shortDayShown } from '../../i18n/days'
import { inWords } from '../../stores/answers'
import { useSession } from '../../stores/session'
import { guide } from '../../parts/guide'
import DayPapers from './DayPapers.vue'

const route = useRoute()
const session = useSession()
const find = ref('')
/** What is asked: typing waits a moment. */
const sought = refDebounced(find, 250)
const page = ref(1)
watch(sought, () => {
  page.value = 1
})
const box = ref<{ focus: () => void }>()
const asked = useQuery({
  queryKey: computed(() => ['day', sought.value.trim(), page.value]),
  queryFn: () => got(http.GET('/api/v1/day', { params: { query: { find: sought.value.trim(), page: page.value } } })),
  staleTime: 0,
  placeholderData: keepPreviousData,
})
const lines = computed(() => asked.data.value?.lines)
const today = computed(() => asked.data.value?.today ?? '')
const failed = computed(() => (asked.isFetching.value ? '' : inWords(asked.error.value)))
// What every other page speaks of is fetched once this one stands, so that the next opens at once.
watch(lines, () => void session.readUp().catch(() => undefined), { once: true })
watch(
  () => route.query.find,
  async (wanted) => {
    if (!wanted) return
    await nextTick()
    box.value?.focus()
  },
  { immediate: true },
)
</script>

<template>
  <main class="day">
    <div class="row spread">
      <h1>{{ say('day.title') }}</h1>
      <div class="row">
        <el-input ref="box" v-model="find" :placeholder="say('day.find')" :aria-label="say('day.find')" clearable class="find" /><RouterLink
          to="/new"
          class="main-action"
          >{{ say('day.new') }}</RouterLink
        >
      </div>
    </div>
    <p v-if="failed" class="sheet" role="alert">
      {{ failed }} <button class="quiet-action" @click="() => asked.refetch()">{{ say('app.again') }}</button>
    </p>
    <el-skeleton v-else-if="!lines" :rows="6" animated />
    <p v-else-if="!lines.length && !sought" class="sheet">{{ say('day.empty') }}</p>
    <p v-else-if="!lines.length" class="soft">{{ say('day.none') }}</p>
    <p v-if="guide === 'new' && lines?.length && !sought" class="sheet row spread offer">
      <span>{{ say('guide.offer') }}</span>
      <span class="row"
        ><RouterLink class="quiet-action" :to="`/client/${lines[0]!.id}/story`" @click="guide = 'open'">{{ say('guide.walk') }}</RouterLink
        ><button type="button" class="quiet-action" @click="guide = 'closed'">{{ say('guide.no') }}</button></span
      >
    </p>
    <ol class="list">
      <li v-for="l in lines" :key="l.id">
        <RouterLink :to="`/client/${l.id}/${l.station}`" class="line" :class="l.tone">
          <span class="when" :class="{ bad: l.visit_on && l.visit_on < today }">
            <time v-if="l.visit_at && l.visit_on === today">{{ l.visit_at }}</time>
            <template v-else-if="l.visit_on"
              ><time>{{ shortDayShown(l.visit_on) }}</time
              ><span class="small">{{ l.visit_on < today ? say('day.missed') : l.visit_at }}</span></template
            >
            <time v-else>—</time>
          </span>
          <span class="name"
            ><strong>{{ l.name }}</strong
            ><span class="soft small"
              >{{ say('day.years', { n: l.age_years })
              }}<template v-if="l.conditions.length"> · {{ l.conditions.join(', ') }}</template></span
            ></span
          >
          <span class="next"
            ><span class="small soft">{{ say(`station.${l.station}`) }}</span
            ><b>{{ l.action }}</b></span
          >
          <svg width="14" height="24" viewBox="0 0 14 24" aria-hidden="true">
            <path d="M2 2l9 10-9 10" fill="none" stroke="currentColor" stroke-width="2.6" stroke-linecap="round" stroke-linejoin="round" />
          </svg>
        </RouterLink>
      </li>
    </ol>
    <DayPapers v-if="lines?.length && session.may('print')" :clients="lines.map((l) => l.id)" />
    <nav v-if="page > 1 || asked.data.value?.more" class="row pages" :aria-label="say('day.pages')">
      <button type="button" class="quiet-action" :disabled="page === 1" @click="page--">{{ say('day.before') }}</button>
      <span class="soft">{{ say('day.page', { n: page }) }}</span>
      <button type="button" class="quiet-action" :disabled="!asked.data.value?.more" @click="page++">{{ say('day.after') }}</button>
    </nav>
  </main>
</template>

<style scoped>
.day {
  padding: 0 var(--space-5);
  max-width: 1080px;
  margin: 0 auto;
  display: grid;
  gap: var(--space-4);
}
.offer {
  margin: 0;
  padding: var(--space-3) var(--space-4);
}
.find {
  width: 240px;
}
.pages {
  justify-content: center;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.line {
  display: grid;
  grid-template-columns: 78px 1fr minmax(240px, 340px) 20px;
  align-items: center;
  gap: var(--space-4);
  background: var(--paper);
  border: 1px solid var(--line);
  border-left: 7px solid var(--line);
  border-radius: var(--round);
  padding: 11px var(--space-4);
  text-decoration: none;
  color: var(--ink);
  min-height: 68px;
}
.line:hover {
  border-color: var(--accent);
}
.line.due {
  border-left-color: var(--straw);
}
.line.ready {
  border-left-color: var(--accent);
}
.line.stop {
  border-left-color: var(--brick);
}
.line.stop b {
  color: var(--brick);
}
.when {
  display: grid;
}
.when time {
  font-size: 23px;
}
.when time:not(:last-child) {
  font-size: 18px;
}
.bad {
  color: var(--brick);
}
.name,
.next {
  display: grid;
}
.name strong {
  font-size: 20px;
}
@media (max-width: 720px) {
  .day {
    padding: 0 var(--space-3);
  }
  .line {
    grid-template-columns: 64px minmax(0, 1fr) 20px;
  }
  .line .next {
    grid-column: 2;
  }
  .find {
    width: 100%;
  }
}
</style>
