<script setup lang="ts">
import { computed } from 'vue'
import type { CaseData } from '../../api/schemas'
import { say } from '../../i18n'
import { useSession } from '../../stores/session'

type Goal = CaseData['wishes']['goals'][number]
const goals = defineModel<CaseData['wishes']['goals']>({ required: true })
const session = useSession()
const tasks = computed(() => session.reference?.tasks ?? [])
const purposes = computed(() => session.reference?.purposes ?? [])

function put(at: number, goal: Goal): void {
  goals.value = goals.value.map((g, i) => (i === at ? goal : g))
}
function leads(goal: Goal): string {
  const task = tasks.value.find((t) => t.id === goal.task)
  return task ? say('goal.leads', { asks: task.asks.join(', '), ends: task.ends.join(', ') }) : ''
}
</script>

<template>
  <section class="stack" :aria-label="say('goal.title')">
    <h3>{{ say('goal.title') }}</h3>
    <div v-for="(g, i) in goals" :key="i" class="goal">
      <el-input
        :model-value="g.words"
        maxlength="200"
        :placeholder="say('goal.words')"
        :aria-label="say('goal.words')"
        @update:model-value="put(i, { ...g, words: $event })"
      />
      <el-select
        :model-value="g.task ?? ''"
        filterable
        clearable
        :placeholder="say('goal.task')"
        :aria-label="say('goal.task')"
        @update:model-value="put(i, { ...g, task: $event || null, asks: [] })"
      >
        <el-option v-for="t in tasks" :key="t.id" :value="t.id" :label="t.title" />
      </el-select>
      <button type="button" class="quiet-action" @click="goals = goals.filter((_, k) => k !== i)">{{ say('story.remove') }}</button>
      <el-select
        v-if="!g.task"
        :model-value="g.asks"
        multiple
        class="asks"
        :placeholder="say('goal.asks')"
        :aria-label="say('goal.asks')"
        @update:model-value="put(i, { ...g, asks: $event })"
      >
        <el-option v-for="p in purposes" :key="p.id" :value="p.id" :label="p.title" />
      </el-select>
      <p v-if="leads(g)" class="asks small soft">{{ leads(g) }}</p>
      <p v-else-if="!g.asks.length" class="asks small open">{{ say('goal.unmapped') }}</p>
    </div>
    <div>
      <button type="button" class="quiet-action" @click="goals = [...goals, { words: '', task: null, asks: [] }]">
        {{ say('goal.add') }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.goal {
  display: grid;
  grid-template-columns: 1.4fr 1fr auto;
  gap: 6px var(--space-3);
  align-items: center;
}
.asks {
  grid-column: 1 / -1;
  margin: 0;
}
.open {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 4px 10px;
}
</style>
