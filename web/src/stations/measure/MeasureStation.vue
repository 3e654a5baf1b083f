<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { DueTest } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import TestForm from './TestForm.vue'

const client = useClient()
const session = useSession()
/** The test that is open. It stays open while the order is worked out anew: what is typed does not go because a suggestion moved. */
const chosen = ref('')
const failed = computed(() => client.dueFailed)
const tests = computed(() => session.reference?.tests ?? [])
const able = computed(() => client.due?.filter((d) => !d.unsafe) ?? [])
const helpful = computed(() => able.value.filter((d) => d.gate || d.decides > 0))
const order = computed(() => helpful.value.map((d) => d.test))
const unsafe = computed(() => client.due?.filter((d) => d.unsafe) ?? [])
const others = computed(() => able.value.filter((d) => !helpful.value.includes(d)))
const groups = computed(() =>
  [...new Set(tests.value.map((t) => t.group))].map((g) => [g, tests.value.filter((t) => t.group === g)] as const),
)
const current = computed(() => tests.value.find((t) => t.id === chosen.value))
const inSteps = (d: DueTest) => say('measure.decides', { n: d.decides })
const dueOf = (id: string) => client.due?.find((d) => d.test === id)
const promised = computed(() => {
  const due = current.value && dueOf(current.value.id)
  return due && !due.unsafe ? due.outcomes : []
})
const readings = computed(() => [...client.view!.screen.findings.readings].reverse())
const titleOf = (id: string) => tests.value.find((t) => t.id === id)?.title ?? id

client.askDue()
watch(order, ([first]) => (chosen.value ||= first ?? ''), { immediate: true })
</script>

<template>
  <div class="measure">
    <aside class="stack" :aria-label="say('measure.next')">
      <!-- Above what is suggested: nothing moves under a finger while that is worked out. -->
      <details>
        <summary>{{ say('measure.all') }}</summary>
        <div v-for="[group, own] in groups" :key="group">
          <h3 class="group">{{ group }}</h3>
          <button
            v-for="t in own"
            :key="t.id"
            type="button"
            class="choice"
            :aria-current="current?.id === t.id ? 'true' : undefined"
            @click="chosen = t.id"
          >
            <span>{{ t.title }}</span><span v-if="client.due && !dueOf(t.id)" class="soft small">✓</span>
          </button>
        </div>
      </details>
      <h2>{{ say('measure.next') }}</h2>
      <p v-if="!client.due && !failed" class="soft small" role="status">{{ say('measure.thinking') }}</p>
      <button
        v-for="d in helpful"
        :key="d.test"
        type="button"
        class="choice"
        :aria-current="current?.id === d.test ? 'true' : undefined"
        @click="chosen = d.test"
      >
        <span>{{ d.title }}</span><span class="tag">{{ d.gate ? say('measure.gate') : inSteps(d) }}</span>
      </button>
      <p v-if="client.due && !helpful.length" class="soft">{{ say('measure.enough') }}</p>
    </aside>
    <section class="sheet stack main">
      <p v-if="failed" role="alert">{{ failed }}</p>
      <template v-if="current">
        <div class="row spread">
          <h2>{{ current.title }}</h2>
          <span class="soft small">{{ current.group }}</span>
        </div>
        <p class="soft begins">{{ current.measures }}. {{ say('measure.unlocks', { what: current.unlocks }) }}</p>
        <div v-if="dueOf(current.id)?.unsafe" class="leave" role="status">
          <strong>{{ say('measure.leaveOut') }}:</strong> {{ dueOf(current.id)!.unsafe }}.<br v-if="dueOf(current.id)!.instead" /><template
            v-if="dueOf(current.id)!.instead"
            >{{ say('measure.instead') }}: {{ dueOf(current.id)!.instead }}</template
          >
        </div>
        <div class="how">
          <div>
            <h3>{{ say('measure.how') }}</h3>
            <ol>
              <li v-for="line in current.protocol" :key="line">{{ line }}</li>
            </ol>
          </div>
          <div class="care">
            <h3>{{ say('measure.safe') }}</h3>
            <p>{{ current.safety }}</p>
            <p v-if="current.change_band" class="small">{{ say('measure.band', { n: current.change_band }) }}</p>
          </div>
        </div>
        <TestForm :test="current" @kept="chosen = order[0] ?? ''" />
        <!-- Below what is filled in: it comes when it is worked out, and moves nothing. -->
        <template v-if="promised.length">
          <h3>{{ say('measure.promise') }}</h3>
          <ul class="promise">
            <li v-for="o in promised" :key="o.says">
              <b>{{ o.says }}</b> <span class="soft small">{{ Math.round(o.probability * 100) }} %</span
              ><span>{{ say('measure.changes', { n: o.changes }) }}</span>
            </li>
          </ul>
        </template>
      </template>
      <p v-else-if="client.due">{{ say('measure.enough') }}</p>
      <p v-else-if="!failed" class="soft">{{ say('measure.meanwhile') }}</p>
    </section>
    <aside class="stack" :aria-label="say('measure.results')">
      <RouterLink :to="`/client/${client.id}/limits`" class="main-action">{{ say('measure.toLimits') }}</RouterLink>
      <h2>{{ say('measure.results') }}</h2>
      <p v-if="!readings.length" class="soft">{{ say('measure.none') }}</p>
      <ul v-if="readings.length" class="results" tabindex="0" :aria-label="say('measure.results')">
        <li v-for="r in readings" :key="r.index" :class="r.level">
          <b
            >{{ titleOf(r.test) }}<template v-if="r.side">, {{ say(`side.${r.side}`).toLowerCase() }}</template></b
          ><span>{{ r.text }}</span
          ><span class="soft small">{{ dayShown(r.on) }} · {{ r.source }}</span>
        </li>
      </ul>
      <details v-if="unsafe.length">
        <summary>{{ say('measure.leftOut', { n: unsafe.length }) }}</summary>
        <p v-for="d in unsafe" :key="d.test" class="small">
          <b>{{ d.title }}</b>: {{ d.unsafe }}
        </p>
      </details>
      <details v-if="others.length">
        <summary>{{ say('measure.nothing', { n: others.length }) }}</summary>
        <p class="small">{{ others.map((d) => d.title).join(', ') }}</p>
      </details>
    </aside>
  </div>
</template>

<style scoped>
.measure {
  display: grid;
  grid-template-columns: 250px 1fr 300px;
  gap: var(--space-4);
  align-items: start;
}
.main {
  padding: var(--space-5);
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  justify-content: space-between;
  min-height: 50px;
  align-items: center;
  text-align: left;
  border: 1.5px solid transparent;
  background: transparent;
  border-radius: var(--round-small);
  padding: 6px 12px;
  cursor: pointer;
}
.choice[aria-current] {
  background: var(--paper);
  border-color: var(--accent);
  font-weight: 700;
}
.begins::first-letter {
  text-transform: uppercase;
}
.how {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: var(--space-4);
}
ol {
  margin: 4px 0 0;
  padding-left: 22px;
}
.care {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: var(--space-3);
  align-self: start;
}
.results {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
  max-height: 480px;
  overflow: auto;
}
.results li {
  display: grid;
  background: var(--paper);
  border-radius: var(--round-small);
  border-left: 6px solid var(--accent);
  padding: 8px 12px;
}
.results li.watch {
  border-left-color: var(--straw);
}
.results li.stop,
.results li.refer {
  border-left-color: var(--brick);
}
.results li.none {
  border-left-color: var(--line);
}
@media (max-width: 1100px) {
  .measure {
    grid-template-columns: 210px 1fr;
  }
  .measure > aside:last-child {
    grid-column: 1 / -1;
  }
}
.promise {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 8px;
}
.promise li {
  display: grid;
  grid-template-columns: 1fr auto;
  background: var(--accent-wash);
  border-radius: var(--round-small);
  padding: 8px 12px;
}
.promise li span:last-child {
  grid-column: 1 / -1;
}
.leave {
  background: var(--brick-wash);
  color: var(--brick);
  border-radius: var(--round-small);
  padding: var(--space-3);
}
.group {
  margin: 12px 0 2px;
  font-size: 16px;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline dotted;
}
details .choice {
  width: 100%;
  min-height: 44px;
}
aside .main-action {
  justify-content: center;
}
@media (max-width: 720px) {
  .measure {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
