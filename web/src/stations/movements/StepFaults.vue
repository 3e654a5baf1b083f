<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Movement } from '../../api/schemas'
import { say } from '../../i18n'
import { inWords } from '../../stores/answers'

/** The faults of a step in words, each with its picture when asked: the right version beside the wrong one. */
const props = defineProps<{ faults: Movement['faults']; load: () => Promise<string[]> }>()
const pictures = ref<string[]>()
const shown = ref<number>()
const failed = ref('')
/** Another step, side or measure: what was drawn is no longer of it. */
watch(
  () => props.load,
  () => {
    pictures.value = undefined
    failed.value = ''
    if (shown.value !== undefined) void ask()
  },
)
async function ask(): Promise<void> {
  const wanted = props.load
  try {
    const found = await wanted()
    if (wanted === props.load) pictures.value = found
  } catch (error) {
    if (wanted === props.load) failed.value = inWords(error)
  }
}
function show(at: number): void {
  shown.value = shown.value === at ? undefined : at
  if (shown.value !== undefined && !pictures.value) void ask()
}
</script>

<template>
  <ul class="faults">
    <li v-for="(f, i) in faults" :key="f.name">
      <div class="row spread">
        <div>
          <b>{{ f.name }}</b>: {{ f.seen }} – {{ f.means }}.
          <span class="cue">{{ f.cue }}.</span>
        </div>
        <button v-if="f.drawn" type="button" class="quiet-action" :aria-expanded="shown === i" @click="show(i)">
          {{ say(shown === i ? 'movements.hideFault' : 'movements.showFault') }}
        </button>
      </div>
      <div v-if="shown === i" aria-live="polite">
        <div
          v-if="pictures?.[i]"
          class="figure big"
          role="img"
          :aria-label="`${f.name}: ${f.seen}`"
          data-testid="fault"
          v-html="pictures[i]"
        />
        <p v-else-if="failed" role="alert">{{ failed }}</p>
        <p v-else class="soft">{{ say(pictures ? 'movements.noFaultPicture' : 'app.loading') }}</p>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.faults {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
.spread {
  align-items: start;
  flex-wrap: nowrap;
}
.quiet-action {
  flex: none;
}
.cue {
  display: block;
}
.cue::first-letter,
b::first-letter {
  text-transform: uppercase;
}
b {
  display: inline-block;
}
.big {
  height: 300px;
  padding: 10px;
}
</style>
