<script setup lang="ts">
import { computed, ref } from 'vue'
import type { RunMovement, Rung, Sheet } from '../../api/schemas'
import { say } from '../../i18n'

/** What stands where, ticked; what tells whether it is right; and how the position is reached. */
const props = defineProps<{ sheet: Sheet; movement: RunMovement; rung?: Rung }>()
const emit = defineEmits<{ ready: [] }>()
const ticked = ref<number[]>([])
const ways = ref(false)
const lines = computed(() =>
  props.rung
    ? [...props.rung.setup, ...props.rung.measures]
    : [...props.movement.take, ...new Set(props.movement.sides.flatMap((s) => s.measures)), ...props.movement.setup],
)
const picture = computed(() => props.rung?.picture || props.movement.sides[0]?.frames[0] || '')
const tick = (i: number): void =>
  void (ticked.value = ticked.value.includes(i) ? ticked.value.filter((x) => x !== i) : [...ticked.value, i])
</script>

<template>
  <section class="setup">
    <div class="figure picture" role="img" :aria-label="rung?.title ?? movement.title" v-html="picture" />
    <div class="stack words">
      <ul class="lines">
        <li v-for="(line, i) in lines" :key="i">
          <button type="button" class="line" :aria-pressed="ticked.includes(i)" @click="tick(i)">
            <svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
              <rect x="2" y="2" width="22" height="22" rx="6" fill="none" stroke="currentColor" stroke-width="2" />
              <path
                v-if="ticked.includes(i)"
                d="M7 13l4 5 8-10"
                fill="none"
                stroke="currentColor"
                stroke-width="3"
                stroke-linecap="round"
              />
            </svg>
            <span>{{ line }}</span>
          </button>
        </li>
      </ul>
      <ol class="do">
        <li v-for="(line, i) in rung?.do ?? movement.do" :key="i">{{ line }}</li>
      </ol>
      <p v-for="(f, i) in rung ? [] : movement.feedback" :key="i" class="small">
        <b>{{ say('visit.tells') }}:</b> {{ f.tells }} <span class="soft">{{ say('visit.misleads') }}: {{ f.misleads }}</span>
      </p>
      <div v-if="sheet.ways.length">
        <button type="button" class="quiet-action" :aria-expanded="ways" @click="ways = !ways">{{ say('visit.showWays') }}</button>
      </div>
      <div v-if="ways" class="stack">
        <article v-for="w in sheet.ways" :key="w.way.to" class="stack">
          <h3>{{ w.way.title }}</h3>
          <div class="stages">
            <figure v-for="(s, i) in w.stages" :key="i">
              <div class="figure stage" role="img" :aria-label="s.title" v-html="s.picture" />
              <figcaption class="small">{{ s.do.join(' ') }}</figcaption>
            </figure>
          </div>
        </article>
      </div>
      <div class="foot">
        <button type="button" class="main-action big" @click="emit('ready')">{{ say('visit.ready') }}</button>
      </div>
    </div>
  </section>
</template>

<style scoped>
.setup {
  display: grid;
  grid-template-columns: 1.1fr 1fr;
  gap: var(--space-5);
  min-height: 0;
}
.picture {
  min-height: 300px;
  padding: 12px;
}
.words {
  overflow: auto;
}
.lines {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 6px;
}
.line {
  width: 100%;
  min-height: 52px;
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 10px;
  align-items: center;
  text-align: left;
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--round-small);
  padding: 6px 12px;
  font-size: 19px;
  cursor: pointer;
}
.line[aria-pressed='true'] {
  background: var(--accent-wash);
  border-color: var(--accent);
}
.do {
  margin: 0;
  padding-left: 24px;
  font-size: 19px;
}
.stages {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px;
}
figure {
  margin: 0;
}
.stage {
  height: 120px;
}
.foot {
  position: sticky;
  bottom: 0;
  background: var(--ground);
  padding-top: 8px;
}
.big {
  min-height: 64px;
  font-size: 24px;
  padding: 0 44px;
  border-radius: 32px;
}
@media (max-width: 800px) {
  .setup {
    grid-template-columns: 1fr;
  }
  .picture {
    height: 240px;
  }
}
</style>
