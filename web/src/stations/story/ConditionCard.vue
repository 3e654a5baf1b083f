<script setup lang="ts">
import { say } from '../../i18n'
import type { ConditionForm } from './conditionForms'

defineProps<{ form: ConditionForm; today: string }>()
const condition = defineModel<Record<string, unknown>>({ required: true })
defineEmits<{ remove: [] }>()

function put(name: string, value: unknown): void {
  const next = { ...condition.value, [name]: value }
  if (value === undefined || value === null || value === '') delete next[name]
  condition.value = next
}
</script>

<template>
  <div class="card">
    <div class="row spread"><h3>{{ form.title }}</h3><button type="button" class="quiet-action" @click="$emit('remove')">{{ say('story.remove') }}</button></div>
    <div v-for="ask in form.asks" :key="ask.name" class="ask">
      <span :id="`${form.kind}-${ask.name}`">{{ ask.title }}</span>
      <el-radio-group v-if="ask.kind === 'choice'" :model-value="condition[ask.name] as string" :aria-labelledby="`${form.kind}-${ask.name}`" @update:model-value="put(ask.name, $event)">
        <el-radio-button v-for="[value, title] in ask.choices" :key="value" :value="value" :label="title" />
      </el-radio-group>
      <el-radio-group v-else-if="ask.kind === 'yes_no'" :model-value="condition[ask.name] as boolean" :aria-labelledby="`${form.kind}-${ask.name}`" @update:model-value="put(ask.name, $event)">
        <el-radio-button :value="true" :label="say('story.yes')" /><el-radio-button :value="false" :label="say('story.no')" />
      </el-radio-group>
      <input v-else-if="ask.kind === 'date'" type="date" class="date" :max="today" :value="condition[ask.name]" :aria-labelledby="`${form.kind}-${ask.name}`" @change="put(ask.name, ($event.target as HTMLInputElement).value)" />
      <span v-else class="row"><el-input-number :model-value="condition[ask.name] as number" :min="ask.low" :max="ask.high" :controls="false" :aria-labelledby="`${form.kind}-${ask.name}`" :placeholder="ask.optional ? say('story.unknown') : ''" @update:model-value="put(ask.name, $event)" /> {{ ask.unit }}</span>
    </div>
  </div>
</template>

<style scoped>
.card { border: 1.5px solid var(--line); border-radius: var(--round); padding: var(--space-3) var(--space-4); display: grid; gap: 10px; background: var(--ground); }
.ask { display: grid; grid-template-columns: minmax(180px, 250px) 1fr; align-items: center; gap: var(--space-3); }
.date { min-height: 46px; border: 1px solid var(--el-border-color); border-radius: var(--round-small); padding: 0 12px; background: var(--paper); width: 190px; }
</style>
