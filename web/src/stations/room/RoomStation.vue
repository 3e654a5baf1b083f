<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { got, http } from '../../api/client'
import type { PropKind, Room, RoomFits } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useSaid } from '../../parts/said'
import { inWords } from '../../stores/answers'
import { useClient } from '../../stores/client'
import FitCard from './FitCard.vue'
import RoomForm from './RoomForm.vue'
import { emptyRoom, freeName, MOST_ROOMS } from './rooms'

const client = useClient()
const copy = (): Room[] => JSON.parse(JSON.stringify([client.view!.case.room, ...client.view!.case.other_rooms])) as Room[]
const rooms = ref<Room[]>(copy())
const at = ref(0)
const kinds = ref<PropKind[]>([])
const found = ref<RoomFits>()
const working = ref(false)
const unfitted = ref('')
const { busy, failed, attempt } = useAttempt()
const kept = ref(JSON.stringify(rooms.value))
const changed = computed(() => JSON.stringify(rooms.value) !== kept.value)
const drawn = computed(() => found.value?.fits.filter((f) => f.svg) ?? [])
const plain = computed(() => found.value?.fits.filter((f) => !f.svg) ?? [])
let asked = 0

async function reckon(): Promise<void> {
  const mine = ++asked
  working.value = true
  try {
    const answer = await client.fitsIn(rooms.value[at.value])
    if (mine !== asked) return
    found.value = answer
    unfitted.value = ''
  } catch (error) {
    if (mine === asked) unfitted.value = inWords(error)
  } finally {
    if (mine === asked) working.value = false
  }
}
const later = useDebounceFn(reckon, 700)
watch([() => JSON.stringify(rooms.value[at.value]), at], () => void later())
async function keep(): Promise<void> {
  const [room, ...other_rooms] = rooms.value
  if (!(await attempt(() => client.keep({ room, other_rooms }, 'rooms')))) return
  const now = copy()
  at.value = Math.min(at.value, now.length - 1) // as the server has them, which may be fewer
  rooms.value = now
  kept.value = JSON.stringify(rooms.value)
}
function more(): void {
  rooms.value.push(emptyRoom(freeName(rooms.value, say('room.centre')), 'visit'))
  at.value = rooms.value.length - 1
}
function drop(): void {
  rooms.value.splice(at.value, 1)
  at.value = 0
}
useSaid(() => {
  void reckon()
  void attempt(async () => {
    kinds.value = (await got(http.GET('/api/v1/props'))).props
  })
})
</script>

<template>
  <div class="station">
    <section class="sheet stack form">
      <div class="row spread">
        <h2>{{ say('room.title') }}</h2>
        <button type="button" class="main-action" :disabled="busy || !changed" @click="keep">{{ say('room.keep') }}</button>
      </div>
      <p v-if="failed || unfitted" role="alert" class="alert">{{ failed || unfitted }}</p>
      <div class="row">
        <button v-for="(r, i) in rooms" :key="i" type="button" class="quiet-action" :aria-pressed="i === at" @click="at = i">
          {{ r.name }}
        </button>
        <button v-if="rooms.length < MOST_ROOMS" type="button" class="quiet-action" @click="more">+ {{ say('room.another') }}</button
        ><button v-if="at > 0" type="button" class="quiet-action" @click="drop">{{ say('room.drop') }}</button>
      </div>
      <RoomForm v-model="rooms[at]" :kinds="kinds" />
    </section>
    <section class="stack">
      <div class="row spread">
        <h2>{{ say('room.fits') }}</h2>
        <span v-if="working" class="soft" role="status">{{ say('room.working') }}</span>
      </div>
      <div v-if="found?.refused.length" class="refused" role="note">
        <h3>{{ say('room.refused') }}</h3>
        <p v-for="r in found.refused" :key="r.what">
          <b>{{ r.what }}</b>: {{ r.reason }}
        </p>
      </div>
      <el-skeleton v-if="!found && !unfitted" :rows="8" animated />
      <div v-else-if="found" class="fits" data-testid="fits"><FitCard v-for="f in drawn" :key="f.id + f.title" :fit="f" /></div>
      <section v-if="plain.length" class="sheet stack">
        <h3>{{ say('room.also') }}</h3>
        <p v-for="f in plain" :key="f.id + f.title" :class="{ alert: !f.fits }">
          <b>{{ f.title }}</b><br />{{ f.says }} <span class="small soft">{{ f.source }}</span>
        </p>
      </section>
    </section>
  </div>
</template>

<style scoped>
.station {
  display: grid;
  grid-template-columns: 480px 1fr;
  gap: var(--space-4);
  align-items: start;
}
.fits {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(236px, 1fr));
  gap: 12px;
}
.refused {
  background: var(--brick-wash);
  color: var(--brick);
  border: 2px solid var(--brick);
  border-radius: var(--round);
  padding: var(--space-3) var(--space-4);
}
.alert {
  color: var(--brick);
}
@media (max-width: 1100px) {
  .station {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 720px) {
  .station {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
