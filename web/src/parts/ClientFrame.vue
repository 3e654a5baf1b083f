<script setup lang="ts">
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { Refused } from '../api/client'
import { say } from '../i18n'
import { numberShown } from '../i18n/numbers'
import { useClient } from '../stores/client'
import { guide } from './guide'
import StationGuide from './StationGuide.vue'
import StationPath from './StationPath.vue'

const route = useRoute()
const client = useClient()
const failed = ref('')
const person = computed(() => client.view?.case.person)
const stopped = computed(() => client.view?.screen.stop_signs.filter((s) => !s.missing) ?? [])

async function load(): Promise<void> {
  failed.value = ''
  try {
    await client.open(String(route.params.id))
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
}
const LISTEN_MS = 3000
const visibility = useDocumentVisibility()
// A stop sign entered on another device must close what is open here within seconds.
useIntervalFn(async () => {
  if (visibility.value !== 'visible') return
  try {
    await client.listen()
    client.outOfReach = false
  } catch {
    client.outOfReach = true
  }
}, LISTEN_MS)
watch(
  () => route.params.id,
  (id) => id && load(),
  { immediate: true },
)
</script>

<template>
  <main class="frame">
    <p v-if="failed" class="sheet" role="alert">
      {{ failed }} <button class="quiet-action" @click="load">{{ say('app.again') }}</button>
    </p>
    <el-skeleton v-else-if="!client.view" :rows="8" animated />
    <template v-else>
      <div class="head">
        <div class="who">
          <h1>{{ person?.name || '—' }}</h1>
          <span class="soft"
            >{{ say('day.years', { n: client.view.screen.findings.age_years }) }} · {{ person ? numberShown(person.stature_cm) : '' }} cm ·
            {{ person ? numberShown(person.mass_kg) : '' }} kg</span
          >
        </div>
        <StationPath :client-id="client.view.id" :stations="client.view.stations" />
        <button v-if="guide !== 'open'" type="button" class="quiet-action" @click="guide = 'open'">{{ say('guide.open') }}</button>
      </div>
      <StationGuide :client-id="client.view.id" />
      <div v-for="sign in stopped" :key="sign.id" class="stop" role="alert">
        <svg width="34" height="34" viewBox="0 0 34 34" aria-hidden="true">
          <path d="M11 3h12l8 8v12l-8 8H11l-8-8V11z" fill="none" stroke="currentColor" stroke-width="3" />
          <path d="M17 9v10M17 24v1" stroke="currentColor" stroke-width="3.4" stroke-linecap="round" />
        </svg>
        <div>
          <strong>{{ say('story.stopTitle') }}: {{ sign.title }}</strong>
          <p>{{ sign.next_step }}</p>
        </div>
      </div>
      <p v-if="client.outOfReach" class="stale stays" role="alert">
        <strong>{{ say('reach.title') }}.</strong> {{ say('reach.lead') }}
      </p>
      <p v-if="client.stale" class="stale" role="status">
        <strong>{{ say('stale.title') }}.</strong> {{ say('stale.lead') }}
      </p>
      <p v-if="client.changedElsewhere" class="stale" role="status">
        {{ say('elsewhere.title') }}
        <button class="quiet-action" type="button" @click="client.changedElsewhere = false">{{ say('app.close') }}</button>
      </p>
      <RouterView :key="client.view.id" />
    </template>
  </main>
</template>

<style scoped>
.frame {
  padding: 0 var(--space-5);
  max-width: 1320px;
  margin: 0 auto;
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: var(--space-5);
  flex-wrap: wrap;
  padding-bottom: var(--space-4);
}
.who {
  display: grid;
  gap: 2px;
}
.stop {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  background: var(--brick-wash);
  color: var(--brick);
  border: 2px solid var(--brick);
  border-radius: var(--round);
  padding: var(--space-3) var(--space-4);
  margin-bottom: var(--space-3);
  font-size: var(--text-large);
}
.stale {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: var(--space-3) var(--space-4);
  margin-bottom: var(--space-3);
}
.stays {
  position: sticky;
  top: var(--space-3);
  z-index: 5;
  box-shadow: 0 2px 8px rgb(0 0 0 / 18%);
}
@media (max-width: 720px) {
  .frame {
    padding: 0 var(--space-3);
  }
}
</style>
