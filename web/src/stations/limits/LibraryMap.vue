<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../../i18n'
import type { Movement } from '../../api/schemas'
import { byPlace } from './libraryMap'

/** The whole library at a glance, one mark per step by position; what a limit closes is struck while it is looked at. */
const props = defineProps<{ movements: Movement[]; closed: string[]; says: string }>()
const places = computed(() => byPlace(props.movements))
const out = computed(() => new Set(props.closed))
</script>

<template>
  <div class="map" data-testid="library-map">
    <h3>{{ say('limits.map') }}</h3>
    <p class="small told" role="status">{{ says || say('limits.mapLead') }}</p>
    <div v-for="[place, families] in places" :key="place" class="place">
      <span class="small soft">{{ say(`place.${place}`) }}</span>
      <span class="marks"
        ><span v-for="f in families" :key="f.id" class="family" :title="f.title"
          ><i v-for="r in f.refs" :key="r" :class="{ closed: out.has(r) }" :data-ref="r" /></span
      ></span>
    </div>
  </div>
</template>

<style scoped>
.map {
  position: sticky;
  top: 12px;
  display: grid;
  gap: 7px;
}
.told {
  min-height: 44px;
}
.place {
  display: grid;
  gap: 2px;
}
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
.family {
  display: inline-flex;
  gap: 2px;
}
i {
  width: 9px;
  height: 14px;
  border-radius: 2px;
  background: #c9d7d4;
  display: block;
}
i.closed {
  background: var(--brick);
  outline: 1.5px solid var(--brick);
  outline-offset: 1px;
  position: relative;
}
i.closed::after {
  content: '';
  position: absolute;
  left: -1px;
  right: -1px;
  top: 6px;
  height: 2px;
  background: var(--paper);
  transform: rotate(-45deg);
}
</style>
