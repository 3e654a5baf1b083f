<script setup lang="ts">
import { computed, ref } from 'vue'
import { got, http } from '../../api/client'
import type { Changes, Rule, RuleNumber } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useSaid } from '../../parts/said'
import { useSession } from '../../stores/session'
import LinesToCheck from './LinesToCheck.vue'
import NumberChanges from './NumberChanges.vue'
import NumberTrial from './NumberTrial.vue'
import type { TriedLine } from './NumberTrial.vue'
import { shown } from './shown'

const session = useSession()
const page = ref<'rules' | 'lines' | 'changes'>('rules')
const typed = ref('')
const chosen = ref('low_bone_mass')
const trial = ref<TriedLine[]>([])
const changes = ref<Changes>()
const found = computed(() => {
  const wanted = typed.value.trim().toLowerCase()
  const text = (r: Rule) =>
    [r.title, r.about, ...r.sources.map((x) => `${x.says} ${x.title}`), ...r.numbers.map((n) => n.says)].join(' ').toLowerCase()
  return (session.reference?.rules ?? []).filter((r) => !wanted || text(r).includes(wanted))
})
const rule = computed(() => session.reference?.rules.find((r) => r.id === chosen.value))
const waiting = computed(() => changes.value?.changes.filter((c) => c.state === null).length ?? 0)
const today = new Date().toISOString().slice(0, 10)

/** Figures that are others in this house than in the book. */
const here = (number: RuleNumber) => changes.value?.here.find((x) => x.rule === chosen.value && x.number === number.id)?.value

function begin(number: RuleNumber): void {
  if (trial.value.some((l) => l.rule === chosen.value && l.number.id === number.id)) return
  trial.value = [...trial.value, { rule: chosen.value, title: rule.value!.title, number, value: here(number) ?? number.value }]
}
async function load(): Promise<void> {
  changes.value = await got(http.GET('/api/v1/rulebook/changes'))
}
const { failed, attempt } = useAttempt()
const showChanges = async () => {
  page.value = 'changes'
  window.scrollTo({ top: 0 })
  await attempt(load)
}
useSaid(() => attempt(load))

function choose(rule: string): void {
  chosen.value = rule
  page.value = 'rules'
}
</script>

<template>
  <main class="book">
    <aside class="stack">
      <h1>{{ say('station.rulebook') }}</h1>
      <p class="soft small">{{ say('rulebook.version', { v: session.reference?.rulebook_version ?? '' }) }}</p>
      <div class="row" role="group" :aria-label="say('station.rulebook')">
        <button type="button" class="quiet-action" :aria-pressed="page === 'rules'" @click="page = 'rules'">
          {{ say('rulebook.rules') }}</button><button
          type="button"
          class="quiet-action"
          :aria-pressed="page === 'lines'"
          @click="page = 'lines'"
        >
          {{ say('rulebook.check') }}</button
        ><button type="button" class="quiet-action" :aria-pressed="page === 'changes'" @click="showChanges">
          {{ say('changes.title') }}<template v-if="waiting"> · {{ waiting }}</template>
        </button>
      </div>
      <el-input v-model="typed" clearable :placeholder="say('rulebook.find')" :aria-label="say('rulebook.find')" />
      <nav class="index" :aria-label="say('station.rulebook')">
        <button
          v-for="r in found"
          :key="r.id"
          type="button"
          class="entry"
          :aria-current="page === 'rules' && chosen === r.id ? 'true' : undefined"
          @click="choose(r.id)"
        >
          {{ r.title }}
        </button>
      </nav>
      <p v-if="!found.length" class="soft">{{ say('rulebook.none') }}</p>
      <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    </aside>
    <LinesToCheck v-if="page === 'lines'" />
    <NumberChanges v-else-if="page === 'changes'" :changes="changes?.changes ?? []" @changed="attempt(load)" />
    <article v-else-if="rule" class="sheet stack">
      <h2 class="big">{{ rule.title }}</h2>
      <p class="about">{{ rule.about }}</p>
      <h3>{{ say('rulebook.numbers') }}</h3>
      <p v-if="!rule.numbers.length" class="soft">{{ say('rulebook.noNumbers') }}</p>
      <table v-else class="numbers">
        <tbody>
          <tr v-for="n in rule.numbers" :key="n.id + n.since">
            <td class="value">
              {{ shown({ ...n, value: here(n) ?? n.value })
              }}<template v-if="here(n) !== undefined"
                ><br /><span class="soft small">{{ say('changes.book', { value: shown(n) }) }}</span></template
              >
            </td>
            <td>
              {{ n.says }}<br /><span class="soft small">{{ n.source }} · {{ say('rulebook.since', { day: dayShown(n.since) }) }}</span>
            </td>
            <td>
              <button type="button" class="quiet-action" @click="begin(n)">{{ say('rulebook.try') }}</button>
            </td>
          </tr>
        </tbody>
      </table>
      <NumberTrial v-if="trial.length" v-model="trial" @asked="showChanges" />
      <template v-if="rule.examples.length"
        ><h3>{{ say('rulebook.duties') }}</h3>
        <ul v-if="rule.duties.length">
          <li v-for="d in rule.duties" :key="d">{{ d }}</li>
        </ul>
        <p v-else class="soft">{{ say('rulebook.noDuty') }}</p></template
      >
      <h3>{{ say('limits.source') }}</h3>
      <ul>
        <li v-for="s in rule.sources" :key="s.says">
          {{ s.says }}<br v-if="s.title && s.quoted_for" /><cite v-if="s.title && s.quoted_for" class="soft small">{{ s.title }}</cite>
        </li>
      </ul>
      <template v-if="rule.examples.length"
        ><h3>{{ say('rulebook.examples') }}</h3>
        <ul>
          <li v-for="e in rule.examples" :key="e">{{ e }}</li>
        </ul></template
      >
      <p class="soft small">
        {{ say('rulebook.since', { day: dayShown(rule.since) }) }} · {{ say('rulebook.checked', { day: dayShown(rule.read_on) }) }} ·
        <span :class="{ bad: rule.check_again_on <= today }">{{
          say('rulebook.again', { day: dayShown(rule.check_again_on), who: rule.check_by })
        }}</span>
      </p>
    </article>
  </main>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: var(--space-5);
  padding: 0 var(--space-5);
  max-width: 1280px;
  margin: 0 auto;
  align-items: start;
}
.sheet {
  padding: var(--space-5);
}
.index {
  display: grid;
  align-content: start;
  grid-auto-rows: max-content;
  max-height: calc(100vh - 260px);
  overflow: auto;
}
.entry {
  text-align: left;
  min-height: 44px;
  line-height: 1.25;
  border: 0;
  background: transparent;
  border-left: 4px solid transparent;
  padding: 4px 12px;
  cursor: pointer;
}
.entry[aria-current] {
  background: var(--paper);
  border-left-color: var(--accent);
  font-weight: 700;
}
.big {
  font-size: var(--text-title);
}
.about {
  font-size: var(--text-large);
}
.numbers {
  border-collapse: collapse;
  width: 100%;
}
.numbers td {
  padding: 10px 12px 10px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
.value {
  font-size: 22px;
  width: 170px;
}
.bad {
  color: var(--brick);
}
@media (max-width: 1000px) {
  .book {
    grid-template-columns: minmax(0, 1fr);
    padding: 0 var(--space-3);
  }
  .index {
    max-height: 240px;
  }
}
@media (max-width: 720px) {
  .numbers,
  .numbers tbody,
  .numbers tr,
  .numbers td {
    display: block;
  }
}
</style>
