<script setup lang="ts">
import { computed, ref } from 'vue'
import type { PostureData } from '../../api/schemas'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'

/** Every posture on this body, and where it is open; the ones that the limit under the pointer closes light up. */
const props = defineProps<{ lit: string }>()
const client = useClient()
client.askPostures()
const looked = ref('')
const shown = computed(() => client.postures?.find((p) => p.id === looked.value))
const STATES = ['closed', 'visit', 'open'] as const
/** The best that is left of it. */
const stateOf = (p: PostureData) => [...STATES].reverse().find((s) => p.on.some((o) => o.state === s))!
const struck = (p: PostureData): boolean => !!props.lit && p.on.some((o) => o.closed_by.some((c) => c.limit === props.lit))
const wordsOf = (o: PostureData['on'][number]): string => {
  const state = say(`postures.${o.state}`)
  return !o.title ? state : o.state === 'open' ? o.title : `${o.title}: ${state}`
}
</script>

<template>
  <div class="sheet stack" data-testid="postures">
    <h2>{{ say('postures.title') }}</h2>
    <p class="soft small">{{ say('postures.lead') }}</p>
    <p v-if="client.posturesFailed" role="alert">
      {{ say('postures.failed') }} {{ client.posturesFailed }}
      <button type="button" class="quiet-action" @click="client.askPosturesAgain">{{ say('app.again') }}</button>
    </p>
    <ul class="postures">
      <li v-for="p in client.postures" :key="p.id">
        <button
          type="button"
          class="posture"
          :class="[stateOf(p), { struck: struck(p) }]"
          :aria-pressed="looked === p.id"
          @click="looked = looked === p.id ? '' : p.id"
          @mouseenter="looked = p.id"
          @focus="looked = p.id"
        >
          <span v-if="p.svg" class="drawn" v-html="p.svg" />
          <span v-else class="drawn soft small">{{ say('postures.noPicture') }}</span>
          <b>{{ p.title }}</b>
          <span v-for="o in p.on" :key="o.on" class="on small" :class="o.state"><i />{{ wordsOf(o) }}</span>
        </button>
      </li>
    </ul>
    <div v-if="shown" class="told" role="status">
      <b>{{ shown.title }}</b>
      <template v-for="o in shown.on" :key="o.on">
        <p v-for="c in o.closed_by" :key="c.limit" class="bad">
          {{ o.title ? `${o.title}: ` : '' }}{{ say('postures.closedBy', { what: c.says }) }} <span class="soft">{{ c.reason }}</span>
        </p>
      </template>
      <p v-for="h in shown.holds" :key="h">{{ h }}</p>
      <p v-if="!shown.holds.length && shown.on.every((o) => !o.closed_by.length)" class="soft">{{ say('postures.nothing') }}</p>
    </div>
  </div>
</template>

<style scoped>
.postures {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(148px, 1fr));
  gap: 10px;
}
.posture {
  width: 100%;
  height: 100%;
  display: grid;
  grid-template-rows: 104px auto;
  align-content: start;
  gap: 3px;
  text-align: left;
  padding: 10px;
  border: 1px solid var(--line);
  border-radius: var(--round-small);
  background: var(--paper);
  cursor: pointer;
  color: var(--ink);
}
.posture[aria-pressed='true'] {
  border-color: var(--accent);
}
.drawn {
  height: 104px;
  display: grid;
  place-items: center;
}
.drawn :deep(svg) {
  width: 100%;
  height: 104px;
}
.closed.posture .drawn :deep(svg) {
  opacity: 0.38;
}
.struck {
  outline: 3px solid var(--brick);
}
.on {
  display: flex;
  gap: 8px;
  align-items: center;
}
.on i {
  width: 12px;
  height: 12px;
  flex: none;
  border-radius: 50%;
  background: var(--accent);
}
.on.visit i {
  border-radius: 0 50% 50% 0;
  background: var(--straw);
}
.on.closed {
  color: var(--brick);
}
.on.closed i {
  border-radius: 0;
  height: 3px;
  background: var(--brick);
}
.told {
  border-left: 4px solid var(--accent);
  padding: 4px 12px;
  min-height: 44px;
}
.told p {
  margin: 2px 0;
}
.bad {
  color: var(--brick);
}
</style>
