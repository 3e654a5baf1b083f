<script setup lang="ts">
import { say } from '../../i18n'
import { KINDS, points } from './useSensors'
import type { useSensors } from './useSensors'

/** Live traces of the sensors, and what was found in them: it was, or it was not. */
defineProps<{ sensors: ReturnType<typeof useSensors>; counting: boolean }>()
const emit = defineEmits<{ was: [fault: string] }>()
const WIDTH = 220
const HEIGHT = 44
</script>

<template>
  <section class="sensors" :aria-label="say('visit.sensors')">
    <p v-if="!sensors.connected.value" class="soft" role="status">{{ say('visit.sensorsNone') }}</p>
    <template v-else>
      <figure v-for="kind in KINDS" :key="kind">
        <svg :width="WIDTH" :height="HEIGHT" role="img" :aria-label="say(`visit.sensor.${kind}`)">
          <polyline :points="points(sensors.readings.value, kind, WIDTH, HEIGHT)" fill="none" stroke="currentColor" stroke-width="2" />
        </svg>
        <figcaption class="small">
          {{ say(`visit.sensor.${kind}`) }} <b>{{ sensors.latest.value[kind]?.value.toFixed(kind === 'belt' ? 2 : 0) }}</b>
          {{ kind === 'belt' ? '' : kind === 'cuff' ? 'mmHg' : '°' }}
        </figcaption>
      </figure>
      <button type="button" class="quiet-action" @click="sensors.save">{{ say('visit.sensorsSave') }}</button>
    </template>
    <div v-if="sensors.found.value" class="found" role="alert">
      <b>{{ sensors.found.value.says }}</b>
      <button
        type="button"
        class="quiet-action"
        :disabled="!counting"
        @click="(emit('was', sensors.found.value!.detected), sensors.settled())"
      >
        {{ say('visit.sensorWas') }}
      </button>
      <button type="button" class="quiet-action" @click="sensors.settled()">{{ say('visit.sensorWasNot') }}</button>
    </div>
  </section>
</template>

<style scoped>
.sensors {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4);
  align-items: center;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: var(--round);
  padding: 8px 14px;
  color: var(--accent-deep);
}
figure {
  margin: 0;
}
figcaption {
  color: var(--ink);
}
.found {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  background: var(--straw-wash);
  color: var(--ink);
  border-radius: var(--round-small);
  padding: 6px 12px;
  font-size: 20px;
}
</style>
