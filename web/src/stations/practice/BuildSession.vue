<script setup lang="ts">
import { computed, ref } from 'vue'
import { got, http } from '../../api/client'
import type { SessionCompared, SessionOffer } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useSaid } from '../../parts/said'

/** The first session of an invented case: chosen step by step, then beside the rule-book's own. */
const { level, seed, about } = defineProps<{ level: number; seed: number; about: string }>()
const emit = defineEmits<{ another: [] }>()
const offer = ref<SessionOffer>()
const chosen = ref<string[]>([])
const compared = ref<SessionCompared>()
const { busy, failed, attempt } = useAttempt()
const path = { level, seed }
useSaid(() =>
  attempt(async () => {
    offer.value = (await got(http.GET('/api/v1/practice/{level}/{seed}/session', { params: { path, query: { about } } }))).offer
  }),
)
async function compare(): Promise<void> {
  await attempt(async () => {
    const body = { about, chosen: chosen.value }
    compared.value = await got(http.POST('/api/v1/practice/{level}/{seed}/session', { params: { path }, body }))
  })
  window.scrollTo({ top: 0 })
}
const flip = (step: string): void =>
  void (chosen.value = chosen.value.includes(step) ? chosen.value.filter((x) => x !== step) : [...chosen.value, step])
const earlier = (i: number): void => {
  const next = [...chosen.value]
  next.splice(i - 1, 2, next[i]!, next[i - 1]!)
  chosen.value = next
}
const stepOf = (step: string) => offer.value!.offers.find((o) => o.ref === step)!
const titleOf = (step: string): string => `${stepOf(step).family_title}: ${stepOf(step).title}`
const minutes = computed(() => chosen.value.reduce((sum, step) => sum + stepOf(step).minutes, 0))
const truthOf = (step: string) => compared.value?.truth.offers.find((o) => o.ref === step)
</script>

<template>
  <section class="stack">
    <p v-if="failed" role="alert">{{ failed }}</p>
    <p v-if="!offer && busy" class="sheet">{{ say('practice.inventing') }}</p>
    <template v-if="offer">
      <div v-if="compared" class="sheet result" role="status">
        <b class="score">{{ compared.right }}/{{ compared.asked }}</b>
        <ul class="small">
          <li v-for="d in offer.owed" :key="d.id">
            {{ compared.built.met[d.id] ? say('practice.met', { what: d.title }) : say('practice.notMet', { what: d.title }) }}
          </li>
          <li>{{ say(compared.built.in_order ? 'practice.inOrder' : 'practice.error.out_of_order') }}</li>
          <li>{{ say('practice.took', { n: compared.built.minutes, most: offer.minutes }) }}</li>
        </ul>
        <button type="button" class="main-action" @click="emit('another')">{{ say('practice.another') }}</button>
      </div>
      <div class="two">
        <div class="cards">
          <article v-for="o in offer.offers" :key="o.ref" class="sheet card" :class="{ chosen: chosen.includes(o.ref) }">
            <div class="figure picture" role="img" :aria-label="`${o.family_title}: ${o.title}`" v-html="o.picture" />
            <h3>{{ o.family_title }}: {{ o.title }}</h3>
            <p class="small soft">{{ o.position }}, {{ say('practice.minutes', { n: o.minutes }) }}</p>
            <button v-if="!compared" type="button" class="quiet-action" :aria-pressed="chosen.includes(o.ref)" @click="flip(o.ref)">
              {{ say(chosen.includes(o.ref) ? 'practice.takeOut' : 'practice.putIn') }}
            </button>
            <div v-else class="answer small" :class="truthOf(o.ref)!.standing">
              <b>{{ say(`practice.standing.${truthOf(o.ref)!.standing}`) }}</b>: {{ truthOf(o.ref)!.why }}
            </div>
          </article>
        </div>
        <aside class="sheet stack own">
          <h2>{{ say('practice.buildTitle') }}</h2>
          <p class="small">{{ say('practice.owes') }}</p>
          <ul class="small">
            <li v-for="d in offer.owed" :key="d.id">
              {{ d.title }}<template v-if="d.minutes">, {{ say('practice.minutes', { n: d.minutes }) }}</template>
            </li>
          </ul>
          <ol class="list" :aria-label="say('practice.yours')">
            <li v-for="(step, i) in chosen" :key="step">
              <b>{{ i + 1 }}</b><span>{{ titleOf(step) }}</span>
              <button
                v-if="i && !compared"
                type="button"
                class="quiet-action"
                :aria-label="say('practice.earlier', { what: titleOf(step) })"
                @click="earlier(i)"
              >
                ↑
              </button>
            </li>
          </ol>
          <p>
            <b>{{ say('practice.soFar', { n: Math.round(minutes), most: offer.minutes }) }}</b>
          </p>
          <button v-if="!compared" type="button" class="main-action" :disabled="busy || !chosen.length" @click="compare">
            {{ say('practice.compare') }}
          </button>
          <template v-else>
            <h3>{{ say('practice.ownSession') }}</h3>
            <ol class="small">
              <li v-for="step in compared.truth.planned" :key="step">{{ titleOf(step) }}</li>
            </ol>
          </template>
        </aside>
      </div>
    </template>
  </section>
</template>

<style scoped src="./result.css"></style>
<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 350px;
  gap: var(--space-4);
  align-items: start;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: var(--space-3);
}
.card {
  display: grid;
  gap: 6px;
  align-content: start;
}
.card.chosen {
  outline: 3px solid var(--accent);
}
.picture {
  height: 150px;
  padding: 6px;
}
.own {
  position: sticky;
  top: var(--space-3);
}
.list {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 4px;
}
.list li {
  display: grid;
  grid-template-columns: 22px 1fr 52px;
  align-items: center;
  gap: 6px;
  min-height: 46px;
}
.result ul {
  flex: 1;
}
.answer {
  border-radius: var(--round-small);
  padding: 8px 12px;
  background: var(--sunk);
}
.answer.closed {
  background: var(--straw-wash);
}
.answer.planned {
  background: var(--accent-wash);
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .own {
    position: static;
  }
}
</style>
