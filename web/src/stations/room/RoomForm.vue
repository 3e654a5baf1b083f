<script setup lang="ts">
import { computed } from 'vue'
import type { PropKind, Room } from '../../api/schemas'
import { say } from '../../i18n'
import NumberEntry from '../../parts/NumberEntry.vue'
import { emptySeat, toggled } from './rooms'

const room = defineModel<Room>({ required: true })
const props = defineProps<{ kinds: PropKind[] }>()
const chosen = computed(() => new Set(room.value.props.map((p) => p.kind)))
const titleOf = (kind: string): string => props.kinds.find((k) => k.kind === kind)?.title ?? kind
const sized = computed(() => room.value.props.filter((p) => (props.kinds.find((k) => k.kind === p.kind)?.usual_cm ?? 0) > 0))
const flip = (kind: string): void => {
  room.value.props = toggled(room.value.props, kind)
}
const HEIGHTS = [
  ['worktop_height_cm', 'room.worktopHeight', 50, 120],
  ['rail_height_cm', 'room.railHeight', 50, 120],
  ['table_height_cm', 'room.table', 50, 100],
  ['low_table_height_cm', 'room.lowTable', 10, 60],
  ['bed_height_cm', 'room.bed', 20, 90],
  ['free_floor_cm', 'room.freeFloor', 50, 1000],
] as const
const heights = computed(() => HEIGHTS.filter(([key]) => key !== 'rail_height_cm' || room.value.rail))
</script>

<template>
  <div class="stack">
    <div class="names">
      <label class="stack tight">{{ say('room.name') }}<el-input v-model="room.name" maxlength="60" /></label>
      <label class="stack tight"
        >{{ say('room.usedFor')
        }}<el-select v-model="room.used_for"
          ><el-option value="both" :label="say('room.both')" /><el-option value="home" :label="say('context.home')" /><el-option
            value="visit"
            :label="say('context.visit')" /></el-select
      ></label>
    </div>
    <fieldset v-for="(seat, i) in room.seats" :key="i" class="seat">
      <legend class="visually-hidden">{{ seat.name }}</legend>
      <el-input v-model="seat.name" :aria-label="say('story.seat')" />
      <div class="pair">
        <label>{{ say('room.high') }}<NumberEntry v-model="seat.height_cm" :low="20" :high="90" /></label
        ><label>{{ say('room.deep') }}<NumberEntry v-model="seat.depth_cm" :low="20" :high="70" placeholder="–" /></label>
        <label
          >{{ say('room.firmness')
          }}<el-select v-model="seat.firmness"
            ><el-option value="firm" :label="say('room.firm')" /><el-option value="soft" :label="say('room.soft')" /><el-option
              value="unknown"
              :label="say('room.notSeen')" /></el-select
        ></label>
      </div>
      <div class="row">
        <el-checkbox v-model="seat.arms" :label="say('story.arms')" /><el-checkbox
          v-model="seat.castors"
          :label="say('story.castors')"
        /><button type="button" class="quiet-action" @click="room.seats.splice(i, 1)">{{ say('story.remove') }}</button>
      </div>
    </fieldset>
    <div>
      <button type="button" class="quiet-action" @click="room.seats.push(emptySeat(say('story.seat')))">{{ say('story.addSeat') }}</button>
    </div>
    <div class="row">
      <el-checkbox v-model="room.wall" :label="say('story.wall')" /><el-checkbox
        v-model="room.worktop"
        :label="say('room.worktop')"
      /><el-checkbox v-model="room.rail" :label="say('room.rail')" />
      <el-checkbox v-model="room.anchor" :label="say('room.anchor')" />
      <el-checkbox v-model="room.bed_head_end" :label="say('room.bedHeadEnd')" />
    </div>
    <div class="pair five">
      <label v-for="[key, title, low, high] in heights" :key="key"
        >{{ say(title) }}<NumberEntry v-model="room[key]" :low="low" :high="high" placeholder="–"
      /></label>
    </div>
    <div class="pair">
      <label
        >{{ say('room.grip')
        }}<el-select v-model="room.floor_grip"
          ><el-option value="grips" :label="say('room.grips')" /><el-option value="slips" :label="say('room.slips')" /><el-option
            value="unknown"
            :label="say('room.notSeen')" /></el-select
      ></label>
      <label
        >{{ say('room.soles')
        }}<el-select v-model="room.soles"
          ><el-option value="good_soles" :label="say('room.goodSoles')" /><el-option
            value="bare_feet"
            :label="say('room.bareFeet')" /><el-option value="socks" :label="say('room.socks')" /><el-option
            value="unknown"
            :label="say('room.notSeen')" /></el-select
      ></label>
      <label
        >{{ say('room.bedFirm')
        }}<el-select v-model="room.bed_firmness"
          ><el-option value="firm" :label="say('room.firm')" /><el-option value="soft" :label="say('room.soft')" /><el-option
            value="unknown"
            :label="say('room.notSeen')" /></el-select
      ></label>
    </div>
    <h3>{{ say('room.props') }}</h3>
    <div class="row chips" role="group" :aria-label="say('room.props')">
      <button
        v-for="k in kinds"
        :key="k.kind"
        type="button"
        class="quiet-action chip"
        :aria-pressed="chosen.has(k.kind)"
        :title="k.stand_in ? say('room.standIn', { what: k.stand_in }) : say('room.noStandIn')"
        @click="flip(k.kind)"
      >
        {{ k.title }}
      </button>
    </div>
    <div v-if="sized.length" class="pair">
      <label v-for="p in sized" :key="p.kind"
        >{{ titleOf(p.kind) }}, cm × {{ say('room.count')
        }}<span class="row tight"
          ><NumberEntry
            v-model="p.size_cm"
            :low="0.5"
            :high="80"
            :placeholder="String(kinds.find((k) => k.kind === p.kind)?.usual_cm)"
            :label="`${titleOf(p.kind)} cm`" /><NumberEntry
            v-model="p.count"
            whole
            :low="1"
            :high="20"
            :label="`${titleOf(p.kind)} ${say('room.count')}`" /></span
      ></label>
    </div>
  </div>
</template>

<style scoped>
.tight {
  gap: 4px;
  flex-wrap: nowrap;
}
.names {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-3);
}
.seat {
  border: 1px solid var(--line);
  border-radius: var(--round-small);
  padding: 10px;
  margin: 0;
  display: grid;
  gap: 8px;
}
.pair {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-2) var(--space-3);
}
.pair label {
  display: grid;
  grid-row: span 2;
  grid-template-rows: subgrid;
  gap: 3px;
  align-items: end;
  font-size: var(--text-small);
}
.pair label > * {
  align-self: start;
}
.chip {
  min-height: 44px;
  padding: 0 14px;
}
.chips {
  gap: 8px;
}
</style>
