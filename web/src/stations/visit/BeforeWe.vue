<script setup lang="ts">
import { computed, ref } from 'vue'
import type { RunSheet } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { handNextDay } from '../../offline/delivery'
import { dayOf } from '../../offline/here'
import OneOf from './OneOf.vue'
import { WHERE } from './where'
import type { Before } from './run'
import ZeroToTen from './ZeroToTen.vue'

/** What is asked before anything moves: stop signs of today, pain, the day after the last time, sleep, strength left. */
const props = defineProps<{ sheet: RunSheet; clientId: string; offline: boolean; modelValue: Before }>()
const emit = defineEmits<{ 'update:modelValue': [value: Before]; begin: []; stop: [sign: string] }>()
const clear = ref(!props.offline)
const soreness = ref<number>()
const asked = ref(!props.sheet.last || props.sheet.last.told)
const set = (change: Before): void => emit('update:modelValue', { ...props.modelValue, ...change })
const places = computed(() => WHERE.map((value) => ({ value, says: say(`where.${value}`) })))
const SLEPT = [
  { value: 'well', says: say('visit.well') },
  { value: 'badly', says: say('visit.badly') },
] as const

async function dayAfter(flare: boolean): Promise<void> {
  asked.value = true
  await handNextDay(props.clientId, props.sheet.last!.id, { told_on: dayOf(new Date()), soreness_0_to_10: soreness.value ?? null, flare })
}
</script>

<template>
  <section class="before stack">
    <h2>{{ say('visit.before') }}</h2>
    <div v-if="!clear" class="sheet stack">
      <h3>{{ say('visit.stopAsk') }}</h3>
      <div class="signs">
        <button v-for="s in sheet.sheet.stop_signs" :key="s.id" type="button" class="quiet-action wide" @click="emit('stop', s.id)">
          {{ s.says }}
        </button>
      </div>
      <div>
        <button type="button" class="main-action" @click="clear = true">{{ say('visit.stopNone') }}</button>
      </div>
    </div>
    <template v-else>
      <p v-if="sheet.sheet.asks_pressure" class="note" role="status">{{ say('visit.pressure') }}</p>
      <div v-if="!asked" class="sheet stack">
        <h3>{{ say('visit.lastTime', { day: dayShown(sheet.last!.on) }) }}</h3>
        <ZeroToTen v-model="soreness" :title="say('visit.soreness')" />
        <div class="row">
          <button type="button" class="quiet-action" @click="dayAfter(false)">{{ say('visit.flareNo') }}</button>
          <button type="button" class="quiet-action worse" @click="dayAfter(true)">{{ say('visit.flareYes') }}</button>
        </div>
      </div>
      <div class="sheet stack">
        <ZeroToTen :title="say('visit.pain')" :model-value="modelValue.pain" @update:model-value="set({ pain: $event })" />
        <OneOf
          v-if="modelValue.pain"
          :title="say('visit.where')"
          :options="places"
          :model-value="modelValue.where"
          @update:model-value="set({ where: $event })"
        />
        <ZeroToTen :title="say('visit.strength')" :model-value="modelValue.strength" @update:model-value="set({ strength: $event })" />
        <OneOf :title="say('visit.slept')" :options="SLEPT" :model-value="modelValue.slept" @update:model-value="set({ slept: $event })" />
      </div>
      <div>
        <button type="button" class="main-action big" @click="emit('begin')">{{ say('visit.begin') }}</button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.before {
  max-width: 860px;
  margin: 0 auto;
  width: 100%;
}
.signs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 8px;
}
.wide {
  white-space: normal;
  text-align: left;
}
.note {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: var(--space-3);
}
.worse {
  border-color: var(--straw);
}
.big {
  min-height: 64px;
  font-size: 24px;
  padding: 0 44px;
  border-radius: 32px;
}
</style>
