<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'

const client = useClient()
const session = useSession()
const emit = defineEmits<{ kept: [] }>()
const today = computed(() => client.view!.case.as_of)
const asked = computed(
  () => client.view!.case.stop_signs?.asked_on === today.value && !client.view!.screen.stop_signs.some((s) => s.id === 'not_asked'),
)
const present = ref<string[]>([...(client.view!.case.stop_signs?.present ?? [])])
const again = ref(false)
const { busy, failed, attempt } = useAttempt()
const questions = computed(
  () =>
    session.reference?.stop_signs.filter((s) => client.view!.screen.stop_questions.includes(s.id) || present.value.includes(s.id)) ?? [],
)

async function keep(): Promise<void> {
  const kept = await attempt(() =>
    client.keep(
      { stop_signs: { asked_on: today.value, present: present.value, asked: client.view!.screen.stop_questions } },
      present.value.length ? 'stop sign recorded' : 'stop signs asked',
    ),
  )
  if (!kept) return
  again.value = false
  if (!present.value.length) emit('kept')
}
function toggle(id: string): void {
  present.value = present.value.includes(id) ? present.value.filter((p) => p !== id) : [...present.value, id]
}
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say('story.stops') }}</h2>
    <template v-if="asked && !again && !client.view!.case.stop_signs!.present.length">
      <p>{{ say('story.stopsDone') }}</p>
      <div>
        <button type="button" class="quiet-action" @click="again = true">{{ say('story.askAgain') }}</button>
      </div>
    </template>
    <template v-else>
      <p class="soft">{{ say('story.stopsLead') }}</p>
      <ul class="signs">
        <li v-for="s in questions" :key="s.id">
          <button type="button" class="sign" :aria-pressed="present.includes(s.id)" @click="toggle(s.id)">
            <span>{{ s.title }}</span><span v-if="s.emergency" class="small">{{ say('story.now') }}</span>
          </button>
        </li>
      </ul>
      <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
      <div>
        <button type="button" class="main-action" :class="{ stop: present.length }" :disabled="busy" @click="keep">
          {{ present.length ? say('story.someStops', { n: present.length }) : say('story.noneStops') }}
        </button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.signs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.sign {
  width: 100%;
  min-height: 50px;
  text-align: left;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  padding: 6px 14px;
  border-radius: var(--round-small);
  border: 1.5px solid var(--el-border-color);
  background: var(--paper);
  cursor: pointer;
}
.sign[aria-pressed='true'] {
  background: var(--brick-wash);
  border: 2.5px solid var(--brick);
  font-weight: 700;
}
.bad {
  color: var(--brick);
}
.main-action.stop {
  background: var(--brick);
}
@media (max-width: 720px) {
  .signs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
