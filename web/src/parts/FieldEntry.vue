<script setup lang="ts">
import { computed } from 'vue'
import type { Field } from '../api/schemas'
import { say } from '../i18n'
import NumberEntry from './NumberEntry.vue'

const props = defineProps<{ field: Field; id: string; today: string; named?: boolean }>()
const value = defineModel<unknown>()
const label = computed(() => `${props.id}-${props.field.name}`)
const few = computed(() => props.field.choices.length <= 6)
const several = computed(() => (value.value as string[] | undefined) ?? [])

function toggle(choice: string): void {
  value.value = several.value.includes(choice) ? several.value.filter((c) => c !== choice) : [...several.value, choice]
}
</script>

<template>
  <div class="entry">
    <span :id="label"
      >{{ field.title
      }}<span v-if="field.unit && field.kind !== 'number' && field.kind !== 'count'" class="soft"> ({{ field.unit }})</span></span
    >
    <el-radio-group
      v-if="field.kind === 'choice' && few"
      :model-value="value as string"
      :aria-labelledby="label"
      @update:model-value="value = $event"
    >
      <el-radio-button v-for="c in field.choices" :key="c.value" :value="c.value" :label="c.title" />
    </el-radio-group>
    <el-select
      v-else-if="field.kind === 'choice'"
      :model-value="value as string"
      :clearable="field.optional"
      :aria-label="field.title"
      class="pick"
      @update:model-value="value = $event"
      ><el-option v-for="c in field.choices" :key="c.value" :value="c.value" :label="c.title"
    /></el-select>
    <span v-else-if="field.kind === 'choices'" class="row" role="group" :aria-labelledby="label">
      <button
        v-for="c in field.choices"
        :key="c.value"
        type="button"
        class="quiet-action"
        :aria-pressed="several.includes(c.value)"
        @click="toggle(c.value)"
      >
        {{ c.title }}
      </button>
    </span>
    <el-radio-group
      v-else-if="field.kind === 'yes_no'"
      :model-value="value as boolean"
      :aria-labelledby="label"
      @update:model-value="value = $event"
    >
      <el-radio-button :value="true" :label="say('story.yes')" /><el-radio-button :value="false" :label="say('story.no')" />
    </el-radio-group>
    <input
      v-else-if="field.kind === 'date'"
      type="date"
      class="date"
      :max="today"
      :value="value"
      :aria-labelledby="label"
      @change="value = ($event.target as HTMLInputElement).value"
    />
    <input
      v-else-if="field.kind === 'text'"
      class="date wide"
      :value="value"
      :aria-labelledby="label"
      @change="value = ($event.target as HTMLInputElement).value"
    />
    <span v-else class="row number"
      ><NumberEntry
        :model-value="value as number"
        :low="field.low ?? undefined"
        :high="field.high || undefined"
        :whole="field.kind === 'count'"
        :name="named ? field.name : undefined"
        :label="field.title"
        :placeholder="field.optional ? say('story.unknown') : ''"
        @update:model-value="value = $event"
      />
      {{ field.unit }}</span
    >
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(170px, 250px) 1fr;
  align-items: center;
  gap: var(--space-3);
  min-height: 46px;
}
.date {
  min-height: 46px;
  border: 1px solid var(--el-border-color);
  border-radius: var(--round-small);
  padding: 0 12px;
  background: var(--paper);
  width: 190px;
}
.wide {
  width: 100%;
}
.number :deep(.el-input) {
  width: 150px;
}
.pick {
  max-width: 320px;
}
@media (max-width: 720px) {
  .entry {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
