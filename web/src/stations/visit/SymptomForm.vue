<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Sheet, Symptom } from '../../api/schemas'
import { say } from '../../i18n'
import OneOf from './OneOf.vue'
import { stops } from './run'
import { WHAT, WHERE } from './where'
import ZeroToTen from './ZeroToTen.vue'

const props = defineProps<{ sheet: Sheet }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ felt: [symptom: Symptom] }>()
const said = reactive<Partial<Symptom>>({ spreading: false })
const whats = computed(() => WHAT.map((value) => ({ value, says: say(`visit.what.${value}`) })))
const wheres = computed(() => WHERE.map((value) => ({ value, says: say(`where.${value}`) })))
const whole = computed(() => said.what && said.where && said.rise_0_to_10 !== undefined)
const ends = computed(
  () => Boolean(said.what) && stops({ where: 'head', rise_0_to_10: 0, spreading: false, ...said } as Symptom, props.sheet),
)

function keep(): void {
  emit('felt', { what: said.what!, where: said.where!, rise_0_to_10: said.rise_0_to_10!, spreading: Boolean(said.spreading) })
  Object.assign(said, { what: undefined, where: undefined, rise_0_to_10: undefined, spreading: false })
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="say('visit.symptom')" width="min(860px, 96vw)">
    <div class="stack">
      <OneOf v-model="said.what" :title="say('visit.symptomWhat')" :options="whats" />
      <OneOf v-model="said.where" :title="say('visit.where')" :options="wheres" />
      <ZeroToTen v-model="said.rise_0_to_10" :title="say('visit.symptomRise')" />
      <label class="row"><input v-model="said.spreading" type="checkbox" /> {{ say('visit.symptomSpreads') }}</label>
      <p v-if="ends" role="status">
        <strong>{{ say('visit.symptomEnds') }}</strong>
      </p>
      <div>
        <button type="button" class="main-action" :disabled="!whole" @click="keep">{{ say('visit.symptomKeep') }}</button>
      </div>
    </div>
  </el-dialog>
</template>
