<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { language, say } from '../../i18n'
import type { MessageKey } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'
import { useProgramme } from '../../stores/programme'
import { useSession } from '../../stores/session'
import HomeLink from './HomeLink.vue'
import OwnTexts from './OwnTexts.vue'
import RecordsOut from './RecordsOut.vue'
import ReminderForm from './ReminderForm.vue'

const KINDS: [string, MessageKey][] = [
  ['hand-out', 'papers.handOut'],
  ['fridge', 'papers.fridge'],
  ['letter', 'papers.letter'],
  ['course', 'papers.course'],
]
const client = useClient()
const programme = useProgramme()
const session = useSession()
const { failed, attempt } = useAttempt()
const kind = ref('hand-out')
const written = ref(0)
const texts = ref(false)
const loading = ref(true)
watch([kind, written], () => {
  loading.value = true
})
const blocked = computed(() => client.view!.screen.stop_signs.length > 0)
const paper = (name: string): string => `/api/v1/clients/${client.id}/papers/${name}?language=${language()}`
const calendar = computed(() => `/api/v1/clients/${client.id}/programmes/latest/calendar.ics`)
const current = computed(() => programme.current)
const ready = computed(
  () => !blocked.value && !!current.value && !current.value.violations.length && current.value.answer.movements.length > 0,
)
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone

onMounted(() => {
  if (!blocked.value) void attempt(() => programme.open())
})
</script>

<template>
  <div class="papers">
    <section class="sheet stack">
      <h2>{{ say('station.papers') }}</h2>
      <p class="soft">{{ say('papers.lead') }}</p>
      <p v-if="blocked" role="alert">{{ say('programme.blocked') }}</p>
      <p v-else-if="failed" role="alert">{{ failed }}</p>
      <p v-for="v in current?.violations" :key="v.ref + v.side" role="alert" class="bad">
        {{ say('programme.broken') }}: {{ session.titleOf(v.ref) }} – {{ v.why }}
      </p>
      <template v-if="ready">
        <div class="stack kinds" role="group" :aria-label="say('papers.prepare')">
          <button v-for="[id, title] in KINDS" :key="id" type="button" class="quiet-action" :aria-pressed="kind === id" @click="kind = id">
            {{ say(title) }}
          </button>
        </div>
        <a class="main-action" :href="paper(`${kind}.pdf`)" target="_blank" rel="noopener">{{ say('papers.open') }}</a>
        <a class="quiet-action" :href="`${calendar}?zone=${encodeURIComponent(zone)}`" download="exercises.ics">{{
          say('papers.calendar')
        }}</a>
        <ReminderForm />
        <HomeLink />
      </template>
      <RouterLink v-else :to="`/client/${client.id}/${blocked ? 'story' : 'programme'}`" class="main-action">{{
        blocked ? say('station.story') : say('papers.needs')
      }}</RouterLink>
      <RecordsOut v-if="session.may('exchange')" />
      <div>
        <button type="button" class="quiet-action" @click="texts = true">{{ say('papers.texts') }}</button>
      </div>
    </section>
    <p v-if="ready && loading" class="soft" role="status">{{ say('app.loading') }}</p>
    <iframe
      v-if="ready"
      v-show="!loading"
      :key="kind + written"
      :src="paper(kind)"
      :title="say(KINDS.find(([id]) => id === kind)![1])"
      class="page"
      @load="loading = false"
    />
    <el-drawer v-model="texts" size="560px" :title="say('papers.texts')"><OwnTexts v-if="texts" @kept="written++" /></el-drawer>
  </div>
</template>

<style scoped>
.papers {
  display: grid;
  grid-template-columns: 340px 1fr;
  gap: var(--space-4);
  align-items: start;
}
.page {
  width: 100%;
  height: 76vh;
  border: 1px solid var(--line);
  border-radius: var(--round);
  background: #fff;
}
.bad {
  color: var(--brick);
}
.kinds {
  gap: 8px;
}
@media (max-width: 720px) {
  .papers {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
