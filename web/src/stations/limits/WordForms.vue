<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { ProfessionInfo } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import NumberEntry from '../../parts/NumberEntry.vue'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'

const client = useClient()
const session = useSession()
const emit = defineEmits<{ kept: [] }>()
const props = defineProps<{ clears?: string }>()
const today = computed(() => client.view!.case.as_of)
const kind = ref<'clears' | 'limits' | 'forbids' | 'own'>(props.clears ? 'clears' : 'limits')
const entry = reactive({
  name: '',
  role: '',
  profession: '' as ProfessionInfo['id'] | '',
  document: '',
  on: today.value,
  quantity: '',
  side: '' as '' | 'left' | 'right',
  bound: undefined as number | undefined,
  reason: '',
  clears: props.clears ?? '',
  valid_until: '',
  step: '',
  load_kg: undefined as number | undefined,
  gentle_only: false,
})
const { busy, failed, attempt } = useAttempt()
const professions = computed(() => session.reference?.professions ?? [])
/** Loosening needs a profession; anybody may forbid or limit. */
const clearing = (id: string): boolean => professions.value.some((x) => x.id === id && x.may_clear)
const steps = computed(() => (session.reference?.movements ?? []).map((m) => ({ id: `${m.family}/${m.step}`, title: m.title })))
/** Said by the clinician who is logged in; anybody else only reports it. */
const own = computed(() => session.may('lift_forbidden'))
const said = computed(() => entry.quantity || entry.step || entry.load_kg !== undefined || entry.gentle_only)
const quantities = computed(() => session.reference?.quantities ?? [])
const chosen = computed(() => quantities.value.find((q) => q.id === entry.quantity))
const ready = computed(() =>
  kind.value === 'own'
    ? entry.quantity && entry.bound !== undefined && entry.reason.length > 4
    : entry.name &&
      entry.role &&
      (kind.value === 'clears'
        ? entry.clears && clearing(entry.profession) && (own.value || entry.document.trim().length > 2)
        : said.value && (kind.value === 'forbids' ? entry.quantity || entry.step : !entry.quantity || entry.bound !== undefined)),
)

const keep = () => attempt(kept)
async function kept(): Promise<void> {
  const side = chosen.value?.sided && entry.side ? { side: entry.side } : {}
  if (kind.value === 'own') {
    await client.add(
      'own_limits',
      { quantity: entry.quantity, ...side, bound: entry.bound, reason: entry.reason, by: session.user, on: today.value },
      'own stricter limit',
    )
  } else {
    const until = entry.valid_until ? { valid_until: entry.valid_until } : {}
    const number = entry.bound === undefined ? {} : { bound: entry.bound }
    const more = {
      ...(entry.step ? { step: entry.step } : {}),
      ...(entry.load_kg === undefined ? {} : { load_kg: entry.load_kg }),
      ...(entry.gentle_only ? { gentle_only: true } : {}),
    }
    const what = kind.value === 'clears' ? { clears: entry.clears, ...number } : { quantity: entry.quantity, ...side, ...number, ...more }
    const who = entry.profession ? { profession: entry.profession } : {}
    await client.add(
      'clinician_words',
      {
        kind: kind.value,
        name: entry.name,
        role: entry.role,
        ...who,
        on: entry.on,
        document: entry.document,
        reason: entry.reason,
        ...what,
        ...until,
      },
      `clinician ${kind.value}`,
    )
  }
  emit('kept')
}
</script>

<template>
  <form class="stack" @submit.prevent="keep">
    <el-radio-group v-model="kind" :aria-label="say('word.kind')"
      ><el-radio-button value="clears" :label="say('word.clears')" /><el-radio-button
        value="limits"
        :label="say('word.limits')" /><el-radio-button value="forbids" :label="say('word.forbids')" /><el-radio-button
        value="own"
        :label="say('word.own')"
    /></el-radio-group>
    <template v-if="kind !== 'own'">
      <div class="two">
        <label>{{ say('word.name') }}<el-input v-model="entry.name" name="word-name" /></label
        ><label>{{ say('word.role') }}<el-input v-model="entry.role" name="word-role" /></label>
      </div>
      <label
        >{{ say('word.profession')
        }}<el-select v-model="entry.profession" clearable :aria-label="say('word.profession')"
          ><el-option v-for="x in professions" :key="x.id" :value="x.id" :label="say(`profession.${x.id}`)" /></el-select
      ></label>
      <p v-if="kind === 'clears' && entry.profession && !clearing(entry.profession)" class="bad">{{ say('word.cannotClear') }}</p>
      <p v-if="kind === 'clears' && !own" class="small">{{ say('word.reported') }}</p>
      <div class="two">
        <label>{{ say('word.document') }}<el-input v-model="entry.document" /></label
        ><label>{{ say('word.on') }}<input v-model="entry.on" type="date" class="date" :max="today" /></label>
      </div>
    </template>
    <label v-if="kind === 'clears'"
      >{{ say('word.what')
      }}<el-select v-model="entry.clears" :aria-label="say('word.what')"
        ><el-option v-for="s in client.view!.screen.sign_offs" :key="s.clears" :value="s.clears" :label="s.title" /></el-select
    ></label>
    <label v-if="kind === 'clears'"
      >{{ say('word.asFar') }}<NumberEntry v-model="entry.bound" :low="0" :high="1000" :label="say('word.asFar')"
    /></label>
    <template v-if="kind !== 'clears'">
      <label
        >{{ say('word.quantity')
        }}<el-select v-model="entry.quantity" filterable :aria-label="say('word.quantity')"
          ><el-option
            v-for="q in quantities"
            :key="q.id"
            :value="q.id"
            :label="q.unit === '0/1' ? q.title : `${q.title} (${q.unit})`" /></el-select
      ></label>
      <div class="two">
        <label v-if="kind !== 'forbids'"
          >{{ say('word.bound') }}<NumberEntry v-model="entry.bound" :low="0" :high="1000" :label="say('word.bound')"
        /></label>
        <label v-if="chosen?.sided"
          >{{ say('measure.side')
          }}<el-select v-model="entry.side" clearable :aria-label="say('measure.side')"
            ><el-option value="left" :label="say('side.left')" /><el-option value="right" :label="say('side.right')" /></el-select
        ></label>
      </div>
      <template v-if="kind !== 'own'"
        ><label
          >{{ say('word.step')
          }}<el-select v-model="entry.step" filterable clearable :aria-label="say('word.step')"
            ><el-option v-for="s in steps" :key="s.id" :value="s.id" :label="s.title" /></el-select
        ></label>
        <div v-if="kind === 'limits'" class="two">
          <label>{{ say('word.load') }}<NumberEntry v-model="entry.load_kg" :low="0" :high="100" :label="say('word.load')" /></label
          ><el-checkbox v-model="entry.gentle_only" :label="say('word.gentle')" /></div
      ></template>
    </template>
    <label>{{ say('word.reason') }}<el-input v-model="entry.reason" maxlength="300" /></label>
    <label v-if="kind === 'limits' || kind === 'forbids'"
      >{{ say('word.until') }}<input v-model="entry.valid_until" type="date" class="date" :min="today"
    /></label>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div>
      <button class="main-action" type="submit" :disabled="busy || !ready">{{ say('word.keep') }}</button>
    </div>
  </form>
</template>

<style scoped>
label {
  display: grid;
  gap: 4px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-3);
}
.bad {
  color: var(--brick);
}
.date {
  min-height: 46px;
  border: 1px solid var(--el-border-color);
  border-radius: var(--round-small);
  padding: 0 12px;
  background: var(--paper);
}
</style>
