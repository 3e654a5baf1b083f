<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { Refused } from '../../api/client'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import TestForm from './TestForm.vue'

const client = useClient()
const session = useSession()
const chosen = ref('')
const failed = ref('')
const tests = computed(() => session.reference?.tests ?? [])
const order = computed(() => client.due?.map((d) => d.test) ?? [])
const current = computed(() => tests.value.find((t) => t.id === (chosen.value || order.value[0])))
const dueOf = (id: string) => client.due?.find((d) => d.test === id)
const readings = computed(() => [...client.view!.screen.findings.readings].reverse())
const titleOf = (id: string) => tests.value.find((t) => t.id === id)?.title ?? id

watch(() => client.view?.revision, async () => {
  failed.value = ''
  try {
    await client.askDue()
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
}, { immediate: true })
</script>

<template>
  <div class="measure">
    <aside class="stack">
      <h2>{{ say('measure.all') }}</h2>
      <p v-if="!client.due && !failed" class="soft small" role="status">{{ say('measure.thinking') }}</p>
      <button v-for="t in tests" :key="t.id" type="button" class="choice" :aria-current="current?.id === t.id ? 'true' : undefined" @click="chosen = t.id">
        <span>{{ t.title }}</span>
        <span v-if="dueOf(t.id)" class="tag">{{ dueOf(t.id)!.gate ? say('measure.gate') : say('measure.decides', { n: dueOf(t.id)!.decides }) }}</span>
        <span v-else-if="client.due" class="soft small">✓</span>
      </button>
    </aside>
    <section class="sheet stack main">
      <p v-if="failed" role="alert">{{ failed }}</p>
      <template v-if="current">
        <div class="row spread"><h2>{{ current.title }}</h2><span v-if="dueOf(current.id)" class="tag">{{ dueOf(current.id)!.why }}</span></div>
        <p class="soft">{{ current.measures }}</p>
        <div class="how"><div><h3>{{ say('measure.how') }}</h3><ol><li v-for="line in current.protocol" :key="line">{{ line }}</li></ol></div><div class="care"><h3>{{ say('measure.safe') }}</h3><p>{{ current.safety }}</p></div></div>
        <TestForm :test="current" @kept="chosen = ''" />
      </template>
      <p v-else-if="client.due">{{ say('measure.enough') }}</p>
    </section>
    <aside class="stack">
      <h2>{{ say('measure.results') }}</h2>
      <p v-if="!readings.length" class="soft">{{ say('measure.none') }}</p>
      <ul class="results"><li v-for="r in readings" :key="r.index" :class="r.level"><b>{{ titleOf(r.test) }}<template v-if="r.side">, {{ r.side }}</template></b><span>{{ r.text }}</span><span class="soft small">{{ r.on }} · {{ r.source }}</span></li></ul>
      <RouterLink :to="`/client/${client.id}/limits`" class="main-action">{{ say('measure.toLimits') }}</RouterLink>
    </aside>
  </div>
</template>

<style scoped>
.measure { display: grid; grid-template-columns: 250px 1fr 300px; gap: var(--space-4); align-items: start; } .main { padding: var(--space-5); }
.choice { display: flex; flex-wrap: wrap; gap: 2px 8px; justify-content: space-between; min-height: 50px; align-items: center; text-align: left; border: 1.5px solid transparent; background: transparent; border-radius: var(--round-small); padding: 6px 12px; cursor: pointer; }
.choice[aria-current] { background: var(--paper); border-color: var(--accent); font-weight: 700; }
.how { display: grid; grid-template-columns: 3fr 2fr; gap: var(--space-4); } ol { margin: 4px 0 0; padding-left: 22px; } .care { background: var(--straw-wash); border-radius: var(--round-small); padding: var(--space-3); align-self: start; }
.results { list-style: none; margin: 0; padding: 0; display: grid; gap: 8px; max-height: 480px; overflow: auto; } .results li { display: grid; background: var(--paper); border-radius: var(--round-small); border-left: 6px solid var(--accent); padding: 8px 12px; }
.results li.watch { border-left-color: var(--straw); } .results li.stop, .results li.refer { border-left-color: var(--brick); } .results li.none { border-left-color: var(--line); }
@media (max-width: 1100px) { .measure { grid-template-columns: 210px 1fr; } .measure > aside:last-child { grid-column: 1 / -1; } }
</style>
