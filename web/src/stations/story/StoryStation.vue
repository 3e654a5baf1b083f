<script setup lang="ts">
import { ElMessage } from 'element-plus/es/components/message/index'
import 'element-plus/es/components/message/style/css'
import { computed, ref } from 'vue'
import type { ConditionForm } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import ConditionCard from './ConditionCard.vue'
import { begun, grouped, unanswered } from './conditionForms'
import PositionsAndWays from './PositionsAndWays.vue'
import RoomAndWishes from './RoomAndWishes.vue'
import StopSigns from './StopSigns.vue'

const client = useClient()
const session = useSession()
const today = computed(() => client.view!.case.as_of)
const consent = computed(() => client.view!.case.consent)
const stopped = computed(() => client.view!.screen.stop_signs.some((s) => !s.missing))
const asked = computed(() => !client.view!.screen.stop_signs.length)
const PARTS = ['consent', 'stops', 'known', 'positions', 'room'] as const
type Part = (typeof PARTS)[number]
const part = ref<Part>(!consent.value ? 'consent' : client.view!.screen.stop_signs.length ? 'stops' : 'known')
const conditions = ref<Record<string, unknown>[]>(client.view!.case.conditions.map((c) => ({ ...c })))
const typed = ref('')
const { busy, failed, attempt } = useAttempt()
const forms = computed(() => session.reference?.conditions ?? [])
const groups = computed(() => grouped(forms.value, typed.value))
const formOf = (kind: unknown): ConditionForm | undefined => forms.value.find((f) => f.kind === kind)
const newest = ref<HTMLElement[]>([])

function reachable(p: Part): boolean {
  return p === 'consent' || (p === 'stops' ? !!consent.value : !!consent.value && asked.value)
}
const open = computed(() =>
  conditions.value.reduce((n, c) => {
    const form = formOf(c.kind)
    return form ? n + unanswered(form, c).length : n
  }, 0),
)
async function keep(sections: Record<string, unknown>, reason: string, next: Part): Promise<boolean> {
  if (!(await attempt(() => client.keep(sections, reason)))) return false
  ElMessage({ message: say('story.saved'), type: 'success', plain: true })
  part.value = next
  return true
}
const giveConsent = (by: string) =>
  keep({ consent: { on: today.value, given_by: by, capacity_confirmed: by === 'client' } }, 'consent', 'stops')
async function keepKnown(): Promise<void> {
  const before = client.view!.screen.stop_questions.length
  const kept = await keep({ conditions: conditions.value }, 'what is known', 'positions')
  if (kept && client.view!.screen.stop_questions.length > before) part.value = 'stops' // a condition brought its own stop signs
}
function begin(form: ConditionForm): void {
  conditions.value.push(begun(form, today.value))
  typed.value = ''
  requestAnimationFrame(() => newest.value.at(-1)?.scrollIntoView({ block: 'center' }))
}
const title = (p: (typeof PARTS)[number]) => say(`story.${p}`)
</script>

<template>
  <div class="story">
    <nav class="parts" :aria-label="say('station.story')">
      <button
        v-for="(p, i) in PARTS"
        :key="p"
        type="button"
        class="part"
        :disabled="!reachable(p)"
        :aria-current="part === p ? 'step' : undefined"
        @click="part = p"
      >
        <b>{{ i + 1 }}</b>{{ title(p) }}
      </button>
      <RouterLink v-if="asked" :to="`/client/${client.id}/measure`" class="quiet-action onward">{{ say('story.toMeasure') }}</RouterLink>
    </nav>
    <div class="stack">
      <div v-if="client.view!.screen.contradictions.length" class="doubt" role="status">
        <strong>{{ say('story.contradicts') }}</strong>
        <p v-for="c in client.view!.screen.contradictions" :key="c.text">{{ c.text }}</p>
      </div>
      <section v-if="part === 'consent'" class="sheet stack">
        <h2>{{ say('story.consent') }}</h2>
        <p class="soft">{{ say('story.consentLead') }}</p>
        <p v-if="consent">{{ say('story.consentDone', { day: dayShown(consent.on) }) }}</p>
        <div class="row">
          <button type="button" class="main-action" @click="giveConsent('client')">{{ say('story.byClient') }}</button><button
            type="button"
            class="quiet-action"
            @click="giveConsent('proxy')"
          >
            {{ say('story.byProxy') }}
          </button>
        </div>
      </section>
      <StopSigns v-else-if="part === 'stops'" @kept="part = 'known'" />
      <section v-else-if="part === 'known'" class="sheet stack">
        <div class="row spread">
          <h2>{{ say('story.known') }}</h2>
          <el-input
            v-model="typed"
            class="find"
            clearable
            :placeholder="say('story.findCondition')"
            :aria-label="say('story.findCondition')"
          />
        </div>
        <div v-for="(c, i) in conditions" :key="i" ref="newest">
          <ConditionCard
            v-if="formOf(c.kind)"
            :model-value="c"
            :form="formOf(c.kind)!"
            :today="today"
            @update:model-value="conditions[i] = $event"
            @remove="conditions.splice(i, 1)"
          />
        </div>
        <p class="soft">{{ say('story.knownLead') }}</p>
        <dl class="groups">
          <template v-for="[group, own] in groups" :key="group"
            ><dt>{{ group }}</dt>
            <dd>
              <button v-for="f in own" :key="f.kind" type="button" class="chip" :title="f.about" @click="begin(f)">{{ f.title }}</button>
            </dd></template
          >
        </dl>
        <p v-if="!groups.length" class="soft">{{ say('story.noCondition') }}</p>
        <div class="sticky">
          <button type="button" class="main-action" :disabled="busy || open > 0" @click="keepKnown">{{ say('story.save') }}</button>
          <span class="soft" role="status">{{
            open ? say('story.stillOpen', { n: open }) : say('story.chosen', { n: conditions.length })
          }}</span>
        </div>
      </section>
      <PositionsAndWays v-else-if="part === 'positions'" @kept="part = 'room'" />
      <RoomAndWishes v-else @kept="$router.push(`/client/${client.id}/measure`)" />
      <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
      <p v-if="stopped" class="soft">{{ say('programme.blocked') }}</p>
    </div>
  </div>
</template>

<style scoped>
.story {
  display: grid;
  grid-template-columns: 220px 1fr;
  gap: var(--space-5);
  align-items: start;
}
.parts {
  display: grid;
  gap: 6px;
  position: sticky;
  top: 12px;
}
.onward {
  margin-top: var(--space-4);
  justify-content: center;
}
.part {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 52px;
  text-align: left;
  border: 0;
  background: transparent;
  border-radius: var(--round-small);
  padding: 0 12px;
  cursor: pointer;
}
.part b {
  width: 30px;
  height: 30px;
  border-radius: 15px;
  display: grid;
  place-items: center;
  background: var(--sunk);
  flex: none;
}
.part[aria-current='step'] {
  background: var(--paper);
  font-weight: 700;
}
.part[aria-current='step'] b {
  background: var(--accent);
  color: var(--paper);
}
.part:disabled {
  color: var(--ink-soft);
  cursor: default;
}
.bad {
  color: var(--brick);
}
.sheet {
  padding: var(--space-5);
}
.groups {
  display: grid;
  grid-template-columns: 170px 1fr;
  margin: 0;
}
.groups dt,
.groups dd {
  padding: 8px 0;
  margin: 0;
  border-top: 1px solid var(--line);
}
.groups dt {
  font-weight: 700;
  padding-top: 16px;
}
.groups dd {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
}
.chip {
  min-height: 44px;
  border: 0;
  border-bottom: 2px dotted var(--accent);
  background: transparent;
  padding: 0 10px;
  cursor: pointer;
  border-radius: 8px 8px 0 0;
}
.chip:hover {
  background: var(--accent-wash);
}
.find {
  width: 280px;
}
.sticky {
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 10px 0;
  display: flex;
  gap: var(--space-3);
  align-items: center;
  border-top: 1px solid var(--line);
}
.doubt {
  background: var(--straw-wash);
  border: 1.5px solid var(--straw);
  border-radius: var(--round);
  padding: var(--space-3) var(--space-4);
}
@media (max-width: 720px) {
  .story {
    grid-template-columns: minmax(0, 1fr);
  }
  .parts {
    position: static;
    grid-template-columns: 1fr 1fr;
  }
  .groups {
    grid-template-columns: 1fr;
  }
  .find {
    width: 100%;
  }
}
</style>
