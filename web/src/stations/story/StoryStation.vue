<script setup lang="ts">
import { ElMessage } from 'element-plus/es/components/message/index'
import 'element-plus/es/components/message/style/css'
import { computed, ref } from 'vue'
import { Refused } from '../../api/client'
import { say } from '../../i18n'
import type { MessageKey } from '../../i18n'
import { useClient } from '../../stores/client'
import ConditionCard from './ConditionCard.vue'
import { begun, CONDITIONS } from './conditionForms'
import RoomAndWishes from './RoomAndWishes.vue'
import StopSigns from './StopSigns.vue'

const client = useClient()
const today = computed(() => client.view!.case.as_of)
const consent = computed(() => client.view!.case.consent)
const stopped = computed(() => client.view!.screen.stop_signs.some((s) => !['not_asked', 'no_consent'].includes(s.id)))
const asked = computed(() => !client.view!.screen.stop_signs.length)
const PARTS = ['consent', 'stops', 'known', 'positions', 'room'] as const
const part = ref<(typeof PARTS)[number]>(!consent.value ? 'consent' : client.view!.screen.stop_signs.length ? 'stops' : 'known')
const conditions = ref<Record<string, unknown>[]>(client.view!.case.conditions.map((c) => ({ ...c })))
const tolerates = ref({ ...client.view!.case.tolerates })
const failed = ref('')

function reachable(p: string): boolean {
  return p === 'consent' || (p === 'stops' ? !!consent.value : !!consent.value && asked.value)
}
async function attempt(work: () => Promise<void>, next: (typeof PARTS)[number] | ''): Promise<void> {
  failed.value = ''
  try {
    await work()
    ElMessage({ message: say('story.saved'), type: 'success', plain: true })
    if (next) part.value = next
  } catch (error) {
    failed.value = error instanceof Refused ? error.faults.map((f) => `${f.path}: ${f.reason}`).join('; ') || error.message : say('app.failed')
  }
}
const giveConsent = (by: string) => attempt(() => client.keep({ consent: { on: today.value, given_by: by, capacity_confirmed: by === 'client' } }, 'consent'), 'stops')
const keepKnown = () => attempt(() => client.keep({ conditions: conditions.value }, 'what is known'), 'positions')
const keepPositions = () => attempt(() => client.keep({ tolerates: tolerates.value }, 'positions'), 'room')
const title = (p: string) => say(`story.${p}` as MessageKey)
</script>

<template>
  <div class="story">
    <nav class="parts" :aria-label="say('station.story')">
      <button v-for="(p, i) in PARTS" :key="p" type="button" class="part" :disabled="!reachable(p)" :aria-current="part === p ? 'step' : undefined" @click="part = p"><b>{{ i + 1 }}</b>{{ title(p) }}</button>
      <RouterLink v-if="asked" :to="`/client/${client.id}/measure`" class="quiet-action onward">{{ say('story.toMeasure') }}</RouterLink>
    </nav>
    <div class="stack">
      <section v-if="part === 'consent'" class="sheet stack">
        <h2>{{ say('story.consent') }}</h2><p class="soft">{{ say('story.consentLead') }}</p>
        <p v-if="consent">{{ say('story.consentDone', { day: consent.on }) }}</p>
        <div class="row"><button type="button" class="main-action" @click="giveConsent('client')">{{ say('story.byClient') }}</button><button type="button" class="quiet-action" @click="giveConsent('proxy')">{{ say('story.byProxy') }}</button></div>
      </section>
      <StopSigns v-else-if="part === 'stops'" @kept="part = 'known'" />
      <section v-else-if="part === 'known'" class="sheet stack">
        <h2>{{ say('story.known') }}</h2><p class="soft">{{ say('story.knownLead') }}</p>
        <div class="row"><button v-for="f in CONDITIONS" :key="f.kind" type="button" class="quiet-action" @click="conditions.push(begun(f, today))">+ {{ f.title }}</button></div>
        <template v-for="(c, i) in conditions" :key="i"><ConditionCard :model-value="c" :form="CONDITIONS.find((f) => f.kind === c.kind)!" :today="today" @update:model-value="conditions[i] = $event" @remove="conditions.splice(i, 1)" /></template>
        <div><button type="button" class="main-action" @click="keepKnown">{{ say('story.save') }}</button></div>
      </section>
      <section v-else-if="part === 'positions'" class="sheet stack">
        <h2>{{ say('story.positions') }}</h2><p class="soft">{{ say('story.positionsLead') }}</p>
        <div v-for="[name, key] in [['floor', 'story.floor'], ['lying_flat', 'story.flat'], ['face_down', 'story.face']] as const" :key="name" class="row spread">
          <span :id="`position-${name}`">{{ say(key) }}</span>
          <el-radio-group v-model="tolerates[name]" :aria-labelledby="`position-${name}`"><el-radio-button value="yes" :label="say('story.yes')" /><el-radio-button value="no" :label="say('story.no')" /><el-radio-button value="unknown" :label="say('story.unknown')" /></el-radio-group>
        </div>
        <div><button type="button" class="main-action" @click="keepPositions">{{ say('story.save') }}</button></div>
      </section>
      <RoomAndWishes v-else @kept="$router.push(`/client/${client.id}/measure`)" />
      <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
      <p v-if="stopped" class="soft">{{ say('programme.blocked') }}</p>
    </div>
  </div>
</template>

<style scoped>
.story { display: grid; grid-template-columns: 230px 1fr; gap: var(--space-5); align-items: start; }
.parts { display: grid; gap: 6px; } .onward { margin-top: var(--space-4); justify-content: center; }
.part { display: flex; gap: 12px; align-items: center; min-height: 52px; text-align: left; border: 0; background: transparent; border-radius: var(--round-small); padding: 0 12px; cursor: pointer; }
.part b { width: 30px; height: 30px; border-radius: 15px; display: grid; place-items: center; background: var(--sunk); }
.part[aria-current='step'] { background: var(--paper); font-weight: 700; } .part[aria-current='step'] b { background: var(--accent); color: var(--paper); }
.part:disabled { color: var(--ink-soft); cursor: default; } .bad { color: var(--brick); } .sheet { padding: var(--space-5); }
</style>
