<script setup lang="ts">
import { computed, ref } from 'vue'
import { got, http } from '../../api/client'
import type { DryRun, RuleNumber } from '../../api/schemas'
import { shareOf } from '../../api/underWay'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useSession } from '../../stores/session'
import { shown } from './shown'
import TouchedClients from './TouchedClients.vue'

/** Figures on trial: tried on every client first, and then put to whoever may sign them. */
export interface TriedLine {
  rule: string
  title: string
  number: RuleNumber
  value: number
}
const lines = defineModel<TriedLine[]>({ required: true })
const emit = defineEmits<{ asked: [] }>()
const session = useSession()
const found = ref<DryRun>()
const foundFor = ref('')
const reason = ref('')
const { busy, failed, attempt } = useAttempt()
const share = shareOf('/rulebook/dry-run')
const wanted = computed(() => lines.value.map((l) => ({ rule: l.rule, number: l.number.id, value: l.value })))
/** An answer counts only for the figures that it was given for. */
const answer = computed(() => (foundFor.value === JSON.stringify(wanted.value) ? found.value : undefined))

const run = () =>
  attempt(async () => {
    const asked = wanted.value
    found.value = await got(http.POST('/api/v1/rulebook/dry-run', { body: { lines: asked } }))
    foundFor.value = JSON.stringify(asked)
  })
const ask = () =>
  attempt(async () => {
    await got(http.POST('/api/v1/rulebook/changes', { body: { lines: wanted.value, reason: reason.value } }))
    lines.value = []
    emit('asked')
  })
const leave = (line: TriedLine) => (lines.value = lines.value.filter((l) => l !== line))
</script>

<template>
  <section class="trial stack">
    <h3>{{ say('rulebook.dryRun') }}</h3>
    <div v-for="l in lines" :key="l.rule + l.number.id" class="row one">
      <el-input-number
        v-model="l.value"
        :min="-1000"
        :max="10000"
        :step="Math.abs(l.number.value) < 5 ? 0.1 : 1"
        :aria-label="l.number.says"
      />
      <p class="what">
        {{ l.number.says }}<br /><span class="soft small">{{ l.title }} · {{ say('changes.book', { value: shown(l.number) }) }}</span>
      </p>
      <button type="button" class="quiet-action" @click="leave(l)">{{ say('rulebook.leave') }}</button>
    </div>
    <div class="row">
      <button type="button" class="main-action" :disabled="busy" @click="run">
        {{ share === undefined ? say('rulebook.run') : say('rulebook.share', { percent: Math.round(100 * share) }) }}
      </button>
    </div>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <template v-if="answer">
      <TouchedClients :found="answer" />
      <template v-if="session.may('try_rules')">
        <label class="field"
          >{{ say('changes.why') }}<el-input v-model="reason" type="textarea" :rows="2" maxlength="300" :aria-label="say('changes.why')"
        /></label>
        <p class="soft small">{{ say('changes.second') }}</p>
        <div class="row">
          <button type="button" class="quiet-action" :disabled="busy || reason.trim().length < 5" @click="ask">
            {{ say('changes.ask') }}
          </button>
        </div>
      </template>
    </template>
  </section>
</template>

<style scoped>
.trial {
  background: var(--accent-wash);
  border-radius: var(--round);
  padding: var(--space-4);
}
.one {
  align-items: start;
}
.what {
  flex: 1;
  min-width: 220px;
}
.field {
  display: grid;
  gap: 4px;
}
.bad {
  color: var(--brick);
}
</style>
