<script setup lang="ts">
import type { ConditionForm } from '../../api/schemas'
import { computed } from 'vue'
import FieldEntry from '../../parts/FieldEntry.vue'
import { say } from '../../i18n'
import { unanswered } from './conditionForms'

const props = defineProps<{ form: ConditionForm; today: string }>()
const condition = defineModel<Record<string, unknown>>({ required: true })
const open = computed(() => unanswered(props.form, condition.value))
defineEmits<{ remove: [] }>()

function put(name: string, value: unknown): void {
  const next = { ...condition.value, [name]: value }
  if (value === undefined || value === null || value === '') delete next[name]
  condition.value = next
}
</script>

<template>
  <div class="card">
    <div class="row spread">
      <h3>
        {{ form.title }} <span class="soft small">{{ form.group }}</span>
      </h3>
      <button type="button" class="quiet-action" @click="$emit('remove')">{{ say('story.remove') }}</button>
    </div>
    <FieldEntry
      v-for="ask in form.asks"
      :id="form.kind"
      :key="ask.name"
      :field="ask"
      :today="today"
      :model-value="condition[ask.name]"
      @update:model-value="put(ask.name, $event)"
    />
    <p v-if="open.length" class="small open">{{ say('story.open', { what: open.join(', ') }) }}</p>
  </div>
</template>

<style scoped>
.card {
  border: 1.5px solid var(--line);
  border-radius: var(--round);
  padding: var(--space-3) var(--space-4);
  display: grid;
  gap: 10px;
  background: var(--ground);
}
.open {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 4px 10px;
  justify-self: start;
}
</style>
