<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import type { ProgrammeMove } from '../../api/schemas'
import { say } from '../../i18n'
import { weekdayNamed } from '../../i18n/days'
import { useProgramme } from '../../stores/programme'

const props = defineProps<{ moves: ProgrammeMove[]; days: number; number: number }>()
const programme = useProgramme()
const given = ref(props.days)
const failed = computed(() => programme.weekFailed)
const columns = computed(() =>
  Array.from({ length: 7 }, (_, day) => ({
    title: weekdayNamed(day),
    day,
    full: programme.week?.sessions.find((s) => s.day === day && !s.light),
    light: programme.week?.sessions.find((s) => s.day === day && s.light),
  })),
)
watch(given, (days) => programme.askWeek(days), { immediate: true })
onUnmounted(() => programme.askWeek(undefined))
const short = (title: string): string => title.split(':')[0]
</script>

<template>
  <section class="sheet stack" :aria-label="say('week.title')">
    <div class="row spread">
      <h2>{{ say('week.title') }}</h2>
      <label class="row">{{ say('week.days') }}<el-input-number v-model="given" :min="1" :max="7" /></label>
    </div>
    <p v-if="failed" role="alert">{{ failed }}</p>
    <div v-if="programme.week" class="week" data-testid="week" tabindex="0" role="group" :aria-label="say('week.title')">
      <div v-for="c in columns" :key="c.day" class="day" :class="{ rest: !c.full }">
        <h3>{{ c.title }}</h3>
        <template v-if="c.full"
          ><p>
            <b>{{ c.full.letter }} · {{ c.full.at }}</b>
            <span class="soft after">{{ say('programme.minutes', { n: Math.round(c.full.minutes) }) }}</span>
          </p>
          <ul>
            <li v-for="i in c.full.rows" :key="i">{{ short(moves[i].title) }}</li>
          </ul></template
        >
        <p v-else class="soft">{{ say('week.rest') }}</p>
        <p v-if="c.light" class="light small">
          <b>{{ c.light.at }}</b> {{ say('week.light') }}: {{ c.light.rows.map((i) => short(moves[i].title)).join(', ') }}
        </p>
      </div>
    </div>
    <el-skeleton v-else-if="!failed" :rows="4" animated />
    <p v-for="(line, id) in programme.week?.short" :key="id" class="short">
      <b>{{ say('week.short') }}</b>: {{ line }}
    </p>
  </section>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(7, minmax(146px, 1fr));
  gap: 8px;
  overflow-x: auto;
}
.day {
  border: 1px solid var(--line);
  border-top: 5px solid var(--accent);
  border-radius: var(--round-small);
  padding: 8px 10px;
  display: grid;
  gap: 6px;
  align-content: start;
  font-size: var(--text-small);
}
.day.rest {
  border-top-color: var(--line);
  background: var(--ground);
}
.day ul {
  margin: 0;
  padding-left: 16px;
}
.after {
  margin-left: 6px;
}
.light {
  border-top: 1px dashed var(--line);
  padding-top: 6px;
}
.short {
  background: var(--straw-wash);
  border-radius: var(--round-small);
  padding: 8px 12px;
}
</style>
