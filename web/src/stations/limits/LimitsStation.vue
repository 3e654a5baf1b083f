<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { say } from '../../i18n'
import type { MessageKey } from '../../i18n'
import { useClient } from '../../stores/client'
import RangeDial from './RangeDial.vue'
import { dials } from './rangeDials'

const client = useClient()
const screen = computed(() => client.view!.screen)
const shown = computed(() => dials(screen.value))
const limits = computed(() => [...screen.value.limits].sort((a, b) => order(a.strength) - order(b.strength)))
const open = ref('')
const tested = computed(() => screen.value.assumptions.filter((a) => !a.id.startsWith('range.')))
const ranges = computed(() => screen.value.assumptions.length - tested.value.length)
const order = (s: string) => ['forbidden', 'limit', 'caution'].indexOf(s)

/** Steps that a limit breaks in either context. */
function closes(id: string): number {
  return new Set((client.verdicts ?? []).filter((v) => v.reasons.some((r) => r.limit === id)).map((v) => `${v.family}/${v.step}`)).size
}
onMounted(() => void client.judge().catch(() => undefined))
</script>

<template>
  <div class="limits">
    <section class="stack">
      <div class="sheet stack">
        <div class="row spread"><h2>{{ say('limits.range') }}</h2><span class="row small key"><i class="a" />{{ say('limits.available') }}<i class="f" />{{ say('limits.unloaded') }}<i class="l" />{{ say('limits.loaded') }}</span></div>
        <div class="dials"><RangeDial v-for="d in shown" :key="d.title + d.side" :dial="d" /></div>
      </div>
      <div class="sheet stack">
        <h2>{{ say('limits.title') }} <span class="soft">{{ limits.length || '' }}</span></h2>
        <p v-if="!limits.length">{{ say('limits.none') }}</p>
        <ul class="list">
          <li v-for="l in limits" :key="l.id">
            <button type="button" class="limit" :class="l.strength" :aria-expanded="open === l.id" @click="open = open === l.id ? '' : l.id">
              <span class="strength">{{ say(`strength.${l.strength}` as MessageKey) }}</span><span class="says">{{ l.says }}</span>
              <span v-if="closes(l.id)" class="tag">{{ say('limits.closes', { n: closes(l.id) }) }}</span>
            </button>
            <dl v-if="open === l.id" class="why"><dt>{{ say('limits.why') }}</dt><dd>{{ l.reason }}</dd><dt>{{ say('limits.source') }}</dt><dd>{{ l.source }}</dd>
              <template v-if="l.review_on"><dt>{{ say('limits.review', { day: l.review_on }) }}</dt><dd>{{ l.next_grade }}</dd></template><template v-if="l.measure"><dt>{{ say('strength.caution') }}</dt><dd>{{ l.measure }}</dd></template></dl>
          </li>
        </ul>
      </div>
    </section>
    <aside class="stack">
      <RouterLink :to="`/client/${client.id}/movements`" class="main-action">{{ say('limits.toMovements') }}</RouterLink>
      <div v-if="screen.referrals.length" class="sheet stack refer"><h2>{{ say('limits.refer') }}</h2><p v-for="r in screen.referrals" :key="r.id">{{ r.text }}<br /><span class="soft small">{{ r.source }}</span></p></div>
      <div v-if="screen.obligations.length" class="sheet stack"><h2>{{ say('limits.must') }}</h2><p v-for="o in screen.obligations" :key="o.id"><b>{{ o.title }}</b><br /><span class="soft small">{{ o.source }}</span></p></div>
      <div class="sheet stack"><h2>{{ say('limits.assumed') }}</h2><p v-for="a in tested" :key="a.id">{{ a.text }}</p><details v-if="ranges"><summary>{{ ranges }} × {{ say('limits.range').toLowerCase() }}</summary><p v-for="a in screen.assumptions.filter((x) => x.id.startsWith('range.'))" :key="a.id" class="small">{{ a.text }}</p></details></div>
      <div v-if="screen.aged.length" class="sheet stack"><h2>{{ say('limits.aged') }}</h2><p v-for="a in screen.aged" :key="a">{{ a }}</p></div>
    </aside>
  </div>
</template>

<style scoped>
.limits { display: grid; grid-template-columns: 1fr 340px; gap: var(--space-4); align-items: start; }
.dials { display: grid; grid-template-columns: repeat(4, 1fr); gap: var(--space-4) var(--space-3); } .key i { width: 16px; height: 10px; display: inline-block; border-radius: 3px; } .a { background: #9fb0ac; } .f { background: #5a8f92; } .l { background: var(--accent-deep); }
.list { list-style: none; margin: 0; padding: 0; display: grid; gap: 6px; }
.limit { width: 100%; display: grid; grid-template-columns: 108px 1fr auto; gap: var(--space-3); align-items: center; text-align: left; min-height: 50px; border: 0; background: var(--ground); border-radius: var(--round-small); padding: 8px 14px; cursor: pointer; border-left: 6px solid var(--accent); }
.limit.forbidden { border-left-color: var(--brick); } .limit.forbidden .strength { color: var(--brick); } .limit.caution { border-left-color: var(--straw); } .limit.caution .strength { color: var(--straw); }
.strength { font-weight: 700; } .says { font-size: 18px; } .why { margin: 6px 0 10px 126px; display: grid; grid-template-columns: auto 1fr; gap: 4px 14px; } .why dt { font-weight: 700; } .why dd { margin: 0; }
.refer { border-color: var(--straw); background: var(--straw-wash); } summary { min-height: 44px; cursor: pointer; } aside .main-action { justify-content: center; }
@media (max-width: 1100px) { .limits { grid-template-columns: 1fr; } }
</style>
