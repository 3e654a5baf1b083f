<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { CaseData } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import NumberEntry from '../../parts/NumberEntry.vue'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'
import { emptySeat } from '../room/rooms'
import GoalList from './GoalList.vue'

const client = useClient()
const emit = defineEmits<{ kept: [] }>()
const { busy, failed, attempt } = useAttempt()
const room = reactive(JSON.parse(JSON.stringify(client.view!.case.room)) as CaseData['room'])
const wishes = reactive(JSON.parse(JSON.stringify(client.view!.case.wishes)) as CaseData['wishes'])

const session = useSession()
/** Families that a programme may hold, by name. */
const families = computed(() => {
  const found = (session.reference?.movements ?? []).filter((m) => !m.asked_for)
  const byId = new Map(found.map((m) => [m.family, { id: m.family, title: m.family_title }]))
  return [...byId.values()].sort((a, b) => a.title.localeCompare(b.title))
})
const today = client.view!.case.as_of
const hour = ref(wishes.at.slice(0, 5))
const medicine = ref(wishes.medicine_hours.map((t) => t.slice(0, 5)).join(', '))
const wrongHour = computed(
  () =>
    medicine.value
      .split(',')
      .map((t) => t.trim())
      .find((t) => t && !/^([01]\d|2[0-3]):[0-5]\d$/.test(t)) ?? '',
)

async function keep(): Promise<void> {
  if (wrongHour.value) return
  wishes.at = `${hour.value}:00`
  wishes.medicine_hours = medicine.value
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean)
    .map((t) => `${t}:00`)
  wishes.goals = wishes.goals.filter((g) => g.words.trim())
  if (await attempt(() => client.keep({ room, wishes }, 'room and wishes'))) emit('kept')
}
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say('story.room') }}</h2>
    <p class="soft">{{ say('story.roomLead') }}</p>
    <div v-for="(seat, i) in room.seats" :key="i" class="seat">
      <el-input v-model="seat.name" :aria-label="say('story.seat')" />
      <label class="row">{{ say('story.height') }}<NumberEntry v-model="seat.height_cm" :low="20" :high="90" /> cm</label>
      <el-checkbox v-model="seat.arms" :label="say('story.arms')" /><el-checkbox v-model="seat.castors" :label="say('story.castors')" />
      <button type="button" class="quiet-action" @click="room.seats.splice(i, 1)">{{ say('story.remove') }}</button>
    </div>
    <div class="row">
      <button type="button" class="quiet-action" @click="room.seats.push(emptySeat(say('story.seat')))">{{ say('story.addSeat') }}</button>
      <el-checkbox v-model="room.wall" :label="say('story.wall')" /><el-checkbox
        v-model="room.worktop"
        :label="say('story.worktop')"
      /><el-checkbox v-model="room.floor_mat" :label="say('story.mat')" />
    </div>
    <div class="row">
      <label class="row">{{ say('story.minutes') }}<el-input-number v-model="wishes.minutes" :min="5" :max="90" :step="5" /></label
      ><label class="row">{{ say('week.days') }}<el-input-number v-model="wishes.days_per_week" :min="1" :max="7" /></label>
      <label class="row">{{ say('story.effort') }}<el-input-number v-model="wishes.effort_0_to_10" :min="1" :max="10" /></label>
    </div>
    <div class="row">
      <label class="row"
        >{{ say('story.at') }}<el-time-select v-model="hour" start="06:00" step="00:30" end="21:00" :clearable="false"
      /></label>
      <label class="row grow">{{ say('story.medicineHours') }}<el-input v-model="medicine" placeholder="08:00, 13:00" /></label>
    </div>
    <p v-if="wrongHour" role="alert" class="bad">{{ say('story.wrongHour', { what: wrongHour }) }}</p>
    <GoalList v-model="wishes.goals" />
    <div class="row">
      <label class="grow"
        >{{ say('story.likes')
        }}<el-select v-model="wishes.likes" multiple filterable :aria-label="say('story.likes')"
          ><el-option
            v-for="f in families"
            :key="f.id"
            :value="f.id"
            :label="f.title"
            :disabled="wishes.dislikes.includes(f.id)" /></el-select
      ></label>
      <label class="grow"
        >{{ say('story.notLiked')
        }}<el-select v-model="wishes.dislikes" multiple filterable :aria-label="say('story.notLiked')"
          ><el-option v-for="f in families" :key="f.id" :value="f.id" :label="f.title" :disabled="wishes.likes.includes(f.id)" /></el-select
      ></label>
    </div>
    <div class="stack">
      <div v-for="(a, i) in wishes.away" :key="i" class="row">
        <label class="row">{{ say('story.awayFrom') }}<input v-model="a.first" type="date" class="day" /></label>
        <label class="row">{{ say('story.awayTo') }}<input v-model="a.last" type="date" class="day" :min="a.first" /></label>
        <button type="button" class="quiet-action" @click="wishes.away = wishes.away.filter((_, k) => k !== i)">
          {{ say('story.remove') }}
        </button>
      </div>
      <div>
        <button type="button" class="quiet-action" @click="wishes.away = [...wishes.away, { first: today, last: today }]">
          {{ say('story.addAway') }}
        </button>
      </div>
    </div>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div>
      <button type="button" class="main-action" :disabled="busy" @click="keep">{{ say('story.save') }}</button>
    </div>
  </section>
</template>

<style scoped>
.seat {
  display: grid;
  grid-template-columns: 1fr auto auto auto auto;
  gap: var(--space-3);
  align-items: center;
}
.grow {
  flex: 1;
}
label.grow {
  display: grid;
  gap: 4px;
}
.day {
  font: inherit;
  min-height: 44px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: var(--round-small);
  background: transparent;
  color: inherit;
}
.bad {
  color: var(--brick);
}
</style>
