<script setup lang="ts">
import { reactive } from 'vue'
import type { CaseData } from '../../api/types'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'

const client = useClient()
const emit = defineEmits<{ kept: [] }>()
const room = reactive(JSON.parse(JSON.stringify(client.view!.case.room)) as CaseData['room'])
const wishes = reactive(JSON.parse(JSON.stringify(client.view!.case.wishes)) as CaseData['wishes'])
if (!room.seats.length) room.seats.push({ name: say('story.seat'), height_cm: 45, arms: false, castors: false })
const goal = reactive({ text: wishes.goals.join('; ') })

async function keep(): Promise<void> {
  wishes.goals = goal.text ? goal.text.split(';').map((g) => g.trim()).filter(Boolean) : []
  await client.keep({ room, wishes }, 'room and wishes')
  emit('kept')
}
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say('story.room') }}</h2>
    <p class="soft">{{ say('story.roomLead') }}</p>
    <div v-for="(seat, i) in room.seats" :key="i" class="seat">
      <el-input v-model="seat.name" :aria-label="say('story.seat')" />
      <label class="row">{{ say('story.height') }}<el-input-number v-model="seat.height_cm" :min="20" :max="90" :step="1" /> cm</label>
      <el-checkbox v-model="seat.arms" :label="say('story.arms')" /><el-checkbox v-model="seat.castors" :label="say('story.castors')" />
      <button type="button" class="quiet-action" @click="room.seats.splice(i, 1)">{{ say('story.remove') }}</button>
    </div>
    <div class="row">
      <button type="button" class="quiet-action" @click="room.seats.push({ name: say('story.seat'), height_cm: 45, arms: false, castors: false })">{{ say('story.addSeat') }}</button>
      <el-checkbox v-model="room.wall" :label="say('story.wall')" /><el-checkbox v-model="room.worktop" :label="say('story.worktop')" /><el-checkbox v-model="room.floor_mat" :label="say('story.mat')" />
    </div>
    <div class="row"><label class="row">{{ say('story.minutes') }}<el-input-number v-model="wishes.minutes" :min="5" :max="90" :step="5" /></label></div>
    <label class="stack">{{ say('story.goal') }}<el-input v-model="goal.text" maxlength="200" /></label>
    <div><button type="button" class="main-action" @click="keep">{{ say('story.save') }}</button></div>
  </section>
</template>

<style scoped>
.seat { display: grid; grid-template-columns: 1fr auto auto auto auto; gap: var(--space-3); align-items: center; }
</style>
