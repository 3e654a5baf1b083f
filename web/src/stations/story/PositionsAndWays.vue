<script setup lang="ts">
import { computed, reactive } from 'vue'
import { LANGUAGES, say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import NumberEntry from '../../parts/NumberEntry.vue'
import { useClient } from '../../stores/client'

const client = useClient()
const emit = defineEmits<{ kept: [] }>()
const POSITIONS = [
  'floor',
  'lying_flat',
  'lying_propped',
  'face_down',
  'left_side',
  'right_side',
  'kneeling',
  'hands_and_knees',
  'sitting_unsupported',
  'standing',
] as const
const MINUTES = ['sitting_minutes', 'standing_minutes'] as const
/** Asked only where the answer before leaves it open. */
const asked = computed(() =>
  POSITIONS.filter((p) =>
    p === 'lying_propped' ? tolerates.lying_flat !== 'yes' : p === 'hands_and_knees' ? tolerates.kneeling !== 'no' : true,
  ),
)
const WAYS = ['words', 'showing', 'touch', 'pictures', 'rhythm'] as const
const DISLIKES = ['touch', 'bands', 'noise', 'lying_flat', 'closed_eyes'] as const
const tolerates = reactive({ ...client.view!.case.tolerates })
const told = client.view!.case.understanding
const ways = reactive({ language: told.language, by: [...told.by], dislikes: [...told.dislikes] })
const { busy, failed, attempt } = useAttempt()

function flip(list: string[], value: string): void {
  const at = list.indexOf(value)
  if (at >= 0) list.splice(at, 1)
  else list.push(value)
}
async function keep(): Promise<void> {
  if (await attempt(() => client.keep({ tolerates, understanding: ways }, 'positions and ways'))) emit('kept')
}
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say('story.positions') }}</h2>
    <p class="soft">{{ say('story.positionsLead') }}</p>
    <div class="grid">
      <div v-for="name in asked" :key="name" class="line">
        <span :id="`position-${name}`">{{ say(`position.${name}`) }}</span>
        <el-radio-group v-model="tolerates[name]" :aria-labelledby="`position-${name}`"
          ><el-radio-button value="yes" :label="say('story.yes')" /><el-radio-button value="no" :label="say('story.no')" /><el-radio-button
            value="unknown"
            :label="say('story.unknown')"
        /></el-radio-group>
      </div>
      <div class="line">
        <span id="position-bed">{{ say('position.bed_transfer') }}</span>
        <el-radio-group v-model="tolerates.bed_transfer" aria-labelledby="position-bed"
          ><el-radio-button v-for="v in ['alone', 'with_help', 'hoist', 'unknown']" :key="v" :value="v" :label="say(`transfer.${v}`)"
        /></el-radio-group>
      </div>
      <div v-for="name in MINUTES" :key="name" class="line">
        <span :id="`position-${name}`">{{ say(`position.${name}`) }}</span><span class="row"
          ><NumberEntry v-model="tolerates[name]" whole :low="1" :high="240" :labelledby="`position-${name}`" />{{
            say('position.minutes')
          }}</span
        >
      </div>
      <div class="line">
        <span id="position-helper">{{ say('position.helper_at_home') }}</span>
        <el-radio-group v-model="tolerates.helper_at_home" aria-labelledby="position-helper"
          ><el-radio-button v-for="v in ['nobody', 'somebody', 'shown_how']" :key="v" :value="v" :label="say(`helper.${v}`)"
        /></el-radio-group>
      </div>
    </div>
    <h3>{{ say('story.ways') }}</h3>
    <div class="row">
      <button v-for="w in WAYS" :key="w" type="button" class="quiet-action" :aria-pressed="ways.by.includes(w)" @click="flip(ways.by, w)">
        {{ say(`way.${w}`) }}
      </button>
    </div>
    <h3 id="paper-language">{{ say('story.language') }}</h3>
    <el-radio-group v-model="ways.language" aria-labelledby="paper-language"
      ><el-radio-button v-for="one in LANGUAGES" :key="one" :value="one" :label="say(`language.${one}`)"
    /></el-radio-group>
    <h3>{{ say('story.dislikes') }}</h3>
    <div class="row">
      <button
        v-for="w in DISLIKES"
        :key="w"
        type="button"
        class="quiet-action"
        :aria-pressed="ways.dislikes.includes(w)"
        @click="flip(ways.dislikes, w)"
      >
        {{ say(`dislike.${w}`) }}
      </button>
    </div>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div>
      <button type="button" class="main-action" :disabled="busy" @click="keep">{{ say('story.save') }}</button>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  padding: var(--space-5);
}
.grid {
  display: grid;
  gap: 8px;
}
.line {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: var(--space-3);
  flex-wrap: wrap;
}
.bad {
  color: var(--brick);
}
</style>
