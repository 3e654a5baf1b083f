<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { SchoolQuestion } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'

/** The questions on which practitioners disagree: one answer for the client, or another for one family. */
const props = defineProps<{ family?: string; familyTitle?: string }>()
const emit = defineEmits<{ close: [] }>()
const client = useClient()
const questions = ref<SchoolQuestion[]>()
const { failed, attempt } = useAttempt()
/** Drawn anew after every answer: a radio that was refused must not stay the marked one. */
const turn = ref(0)
const chosen = computed(() => (q: SchoolQuestion) => (props.family && q.by_family[props.family]) || q.chosen)

async function fetched(): Promise<void> {
  questions.value = await client.schools()
}
const load = () => attempt(fetched)
async function choose(q: SchoolQuestion, option: string): Promise<void> {
  const kept = client.view!.case
  const sections = props.family
    ? { family_schools: { ...kept.family_schools, [props.family]: { ...kept.family_schools?.[props.family], [q.id]: option } } }
    : { schools: { ...kept.schools, [q.id]: option } }
  await attempt(async () => {
    await client.keep(sections, say('schools.reason', { what: q.title.toLowerCase() }))
    await fetched()
  })
  turn.value++
}
onMounted(load)
</script>

<template>
  <el-dialog
    :model-value="true"
    width="min(880px, 96vw)"
    top="4vh"
    :title="familyTitle ? say('schools.for', { what: familyTitle }) : say('schools.title')"
    @close="emit('close')"
  >
    <p class="soft">{{ say('schools.lead') }}</p>
    <p v-if="failed" role="alert">
      {{ failed }} <button type="button" class="quiet-action" @click="load">{{ say('app.again') }}</button>
    </p>
    <p v-else-if="!questions" role="status">{{ say('app.loading') }}</p>
    <fieldset v-for="q in questions" :key="`${q.id}-${turn}`" class="question">
      <legend>{{ q.title }}</legend>
      <label v-for="o in q.options" :key="o.id" class="answer" :class="{ refused: o.refused }">
        <input type="radio" :name="q.id" :value="o.id" :checked="chosen(q) === o.id" :disabled="!!o.refused" @change="choose(q, o.id)" />
        <span
          ><b>{{ o.title }}</b
          ><br /><span class="soft small">{{ o.refused || o.why }}</span></span
        >
      </label>
      <p v-if="q.because" class="soft small">{{ q.because }}</p>
    </fieldset>
  </el-dialog>
</template>

<style scoped>
.question {
  border: 0;
  border-top: 1px solid var(--line);
  padding: 12px 0;
  margin: 0;
  display: grid;
  gap: 4px;
}
.question legend {
  font-family: var(--serif, serif);
  font-size: 1.08rem;
  padding: 0;
  float: left;
  width: 100%;
}
.answer {
  display: grid;
  grid-template-columns: 28px 1fr;
  align-items: start;
  padding: 7px 8px;
  min-height: 44px;
  border-radius: var(--round-small);
  cursor: pointer;
}
.answer:hover {
  background: var(--straw-wash);
}
.answer input {
  width: 20px;
  height: 20px;
  margin-top: 2px;
  accent-color: var(--accent);
}
.refused {
  cursor: default;
}
.refused b {
  text-decoration: line-through;
  font-weight: 400;
}
</style>
