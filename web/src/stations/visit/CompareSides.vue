<script setup lang="ts">
import { computed, reactive } from 'vue'
import { say } from '../../i18n'
import OneOf from './OneOf.vue'
import type { Compared } from './run'

const emit = defineEmits<{ told: [compared: Compared]; skip: [] }>()
type Seen = Compared['range']
const seen = reactive<Partial<Compared>>({})
const SIDES = computed(() => [
  { value: 'left_less' as Seen, says: say('visit.leftLess') },
  { value: 'same' as Seen, says: say('visit.same') },
  { value: 'right_less' as Seen, says: say('visit.rightLess') },
])
const WHAT = [
  ['range', 'visit.range'],
  ['ease', 'visit.ease'],
  ['coming_back', 'visit.comingBack'],
] as const
// The third answer is the last tap.
function tell(name: keyof Compared, value: Seen): void {
  seen[name] = value
  if (seen.range && seen.ease && seen.coming_back) emit('told', { range: seen.range, ease: seen.ease, coming_back: seen.coming_back })
}
</script>

<template>
  <section class="compare stack">
    <h2>{{ say('visit.compare') }}</h2>
    <OneOf
      v-for="[name, title] in WHAT"
      :key="name"
      :title="say(title)"
      :options="SIDES"
      :model-value="seen[name]"
      @update:model-value="tell(name, $event)"
    />
    <div>
      <button type="button" class="quiet-action" @click="emit('skip')">{{ say('visit.go') }}</button>
    </div>
  </section>
</template>

<style scoped>
.compare {
  max-width: 760px;
  margin: 0 auto;
  align-content: center;
  font-size: 20px;
}
.compare :deep(.quiet-action) {
  min-height: 68px;
  min-width: 180px;
  justify-content: center;
  font-size: 21px;
}
</style>
