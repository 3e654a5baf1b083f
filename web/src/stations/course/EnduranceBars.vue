<script setup lang="ts">
import type { Course } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'

/** How long each wall of the trunk would hold: the estimate as a line, what it may as well be as a band. */
const { walls } = defineProps<{ walls: Course['course']['endurance'] }>()
const LONGEST_S = 120
const share = (seconds: number): string => `${(100 * Math.min(seconds, LONGEST_S)) / LONGEST_S}%`
const sideOf = (side: string): string => (side === 'both' ? '' : ` (${say(side === 'left' ? 'course.left' : 'course.right')})`)
</script>

<template>
  <section class="sheet stack" data-testid="endurance">
    <h2>{{ say('course.endurance') }}</h2>
    <ul class="walls small">
      <li v-for="w in walls" :key="w.title + w.side">
        <span class="row spread"
          ><b>{{ w.title }}{{ sideOf(w.side) }}</b
          ><span>{{
            say('course.holdsFor', { n: Math.round(w.seconds), low: Math.round(w.low_s), high: Math.round(w.high_s) })
          }}</span></span
        >
        <span class="line" aria-hidden="true"
          ><i class="band" :style="{ left: share(w.low_s), right: `calc(100% - ${share(w.high_s)})` }" /><i
            class="mean"
            :style="{ left: share(w.seconds) }"
        /></span>
        <span class="soft"
          >{{ say('course.holdShownBy', { what: w.shown_by, s: Math.round(w.shown_s), day: dayShown(w.on) })
          }}<template v-if="w.logged">{{ say('course.holdsSeen', { n: w.logged }) }}</template></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.walls {
  display: grid;
  gap: var(--space-3);
  padding: 0;
  list-style: none;
}
.walls li {
  display: grid;
  gap: 4px;
}
.line {
  position: relative;
  height: 10px;
  border-radius: 5px;
  background: var(--sunk);
}
.band,
.mean {
  position: absolute;
  top: 0;
  bottom: 0;
}
.band {
  border-radius: 5px;
  background: var(--accent);
}
.mean {
  width: 3px;
  margin-left: -1px;
  background: var(--ink);
}
</style>
