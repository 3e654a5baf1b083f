<script setup lang="ts">
import type { Sheet } from '../../api/schemas'
import { say } from '../../i18n'
import { numberShown } from '../../i18n/numbers'
import { KINDS, points } from './useSensors'
import type { Found, Kind, useSensors } from './useSensors'

/** Live traces of the sensors, and what was found in them: it was, or it was not. */
const props = defineProps<{ sensors: ReturnType<typeof useSensors>; sensed: Sheet['sensed'] }>()
const emit = defineEmits<{ was: [fault: string] }>()
const WIDTH = 150
const HEIGHT = 44
/** The newest value; the belt gives a share. */
function latest(kind: Kind): string {
  const value = props.sensors.latest.value[kind]?.value
  return value === undefined ? '' : numberShown(value, kind === 'belt' ? 2 : 0)
}
/** In the words of the sheet; what it does not know, in those of the process that found it. */
const says = (found: Found): string => props.sensed.find((s) => s.id === found.detected)?.says ?? found.says
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
          {{ say(`visit.sensor.${kind}`) }} <b class="number">{{ latest(kind) }}</b>
          {{ kind === 'belt' ? '' : kind === 'cuff' ? 'mmHg' : '°' }}
        </figcaption>
      </figure>
      <button type="button" class="quiet-action" @click="sensors.save">{{ say('visit.sensorsSave') }}</button>
    </template>
    <!-- Its place is kept, so that nothing moves under a finger when something is found. -->
    <div class="place">
      <div v-if="sensors.found.value" class="found" role="alert">
        <b>{{ says(sensors.found.value) }}</b>
        <span class="answers">
          <button type="button" class="quiet-action" @click="(emit('was', sensors.found.value!.detected), sensors.settled())">
            {{ say('visit.sensorWas') }}
          </button>
          <button type="button" class="quiet-action" @click="sensors.settled()">{{ say('visit.sensorWasNot') }}</button>
        </span>
      </div>
      <p v-else-if="sensors.connected.value" class="soft small nothing">{{ say('visit.sensorsQuiet') }}</p>
    </div>
  </section>
</template>

<style scoped>
.sensors {
  display: flex;
  flex-wrap: wrap;
  gap: 6px var(--space-4);
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
.place {
  flex: 1 1 460px; /* beside the traces where there is room */
  display: grid;
  align-items: center;
  min-height: 58px;
}
.nothing {
  margin: 0;
}
.found {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
  background: var(--straw-wash);
  color: var(--ink);
  border-radius: var(--round-small);
  padding: 6px 12px;
  font-size: 19px;
  line-height: 1.15;
}
.answers {
  display: flex;
  gap: 10px;
  flex-shrink: 0;
}
</style>
