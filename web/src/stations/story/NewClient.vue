<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { got, http, Refused } from '../../api/client'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import NumberEntry from '../../parts/NumberEntry.vue'
import FromFile from './FromFile.vue'
import FromReferrer from './FromReferrer.vue'

const router = useRouter()
const person = reactive({
  name: '',
  birth_date: '',
  sex: '',
  stature_cm: undefined as number | undefined,
  tallest_stature_cm: undefined as number | undefined,
  mass_kg: undefined as number | undefined,
})
const faults = ref<{ path: string; reason: string }[]>([])
const { busy, failed, attempt } = useAttempt()
const BESIDE = new Set(['birth_date', 'stature_cm', 'tallest_stature_cm', 'mass_kg'].map((field) => `$.person.${field}`))
/** What no field of this page can say. */
const elsewhere = computed(() => !faults.value.length || faults.value.some((f) => !BESIDE.has(f.path)))
const ready = computed(() => person.name && person.birth_date && person.sex && person.stature_cm && person.mass_kg)

function faultOf(field: string): string {
  return faults.value
    .filter((f) => f.path === `$.person.${field}`)
    .map((f) => f.reason)
    .join('; ')
}
async function begin(): Promise<void> {
  faults.value = []
  const filled = Object.fromEntries(Object.entries(person).filter(([, v]) => v !== undefined && v !== null && v !== ''))
  await attempt(async () => {
    try {
      const made = await got(http.POST('/api/v1/clients', { body: { case: { person: filled } } }))
      await router.push(`/client/${made.id}/story`)
    } catch (error) {
      if (error instanceof Refused) faults.value = error.faults
      throw error
    }
  })
}
</script>

<template>
  <main class="new">
    <form class="sheet stack" novalidate @submit.prevent="begin">
      <h1>{{ say('new.title') }}</h1>
      <p class="soft">{{ say('new.lead') }}</p>
      <label>{{ say('new.name') }}<el-input v-model="person.name" name="name" maxlength="120" /></label>
      <div class="pair">
        <label
          >{{ say('new.birth') }}<input v-model="person.birth_date" name="birth_date" type="date" class="date" /><span
            v-if="faultOf('birth_date')"
            class="bad"
            role="alert"
            >{{ faultOf('birth_date') }}</span
          ></label
        >
        <fieldset>
          <legend>{{ say('new.sex') }}</legend>
          <el-radio-group v-model="person.sex"
            ><el-radio-button value="female" :label="say('new.female')" /><el-radio-button value="male" :label="say('new.male')"
          /></el-radio-group>
        </fieldset>
      </div>
      <div class="three">
        <label
          >{{ say('new.stature') }} (cm)<NumberEntry
            v-model="person.stature_cm"
            name="stature_cm"
            :low="95"
            :high="220"
            :fault="faultOf('stature_cm')"
        /></label>
        <label
          >{{ say('new.tallest') }} (cm)<NumberEntry
            v-model="person.tallest_stature_cm"
            name="tallest_stature_cm"
            :low="95"
            :high="225"
            :fault="faultOf('tallest_stature_cm')"
        /></label>
        <label
          >{{ say('new.mass') }} (kg)<NumberEntry v-model="person.mass_kg" name="mass_kg" :low="14" :high="220" :fault="faultOf('mass_kg')"
        /></label>
      </div>
      <p v-if="failed && elsewhere" role="alert" class="bad">{{ failed }}</p>
      <div>
        <button class="main-action" type="submit" :disabled="busy || !ready">{{ say('new.go') }}</button>
      </div>
    </form>
    <FromReferrer />
    <FromFile />
  </main>
</template>

<style scoped>
.new {
  display: grid;
  gap: var(--space-4);
  max-width: 800px;
  margin: 0 auto;
  padding: 0 var(--space-5);
}
.sheet {
  padding: var(--space-5);
  gap: var(--space-4);
}
label {
  display: grid;
  align-content: start;
  gap: 4px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  padding: 0;
  margin-bottom: 4px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-4);
}
.three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-4);
}
.date {
  min-height: 46px;
  border: 1px solid var(--el-border-color);
  border-radius: var(--round-small);
  padding: 0 12px;
  background: var(--paper);
}
.bad {
  color: var(--brick);
  font-size: var(--text-small);
}
@media (max-width: 420px) {
  .new,
  .sheet {
    padding: 0 var(--space-3);
  }
  .pair,
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
