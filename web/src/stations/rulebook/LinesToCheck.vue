<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { got, http, Refused } from '../../api/client'
import type { Doubt, SignedLine } from '../../api/schemas'
import { say } from '../../i18n'
import { inWords } from '../../stores/answers'
import { useSession } from '../../stores/session'
import LineWord from './LineWord.vue'
import { shown } from './shown'

const DOUBTS: Doubt[] = ['ours', 'practice', 'memory']
const lines = ref<SignedLine[]>([])
const name = ref('')
const profession = ref('')
const doubt = ref<Doubt | ''>('')
const by = ref('')
const onlyOpen = ref(true)
const objecting = ref<{ key: string; remark: string }>()
const busy = ref('')
const failed = ref('')
const key = (l: SignedLine) => `${l.rule}.${l.number}`
const settled = (l: SignedLine) => !!l.signature?.still_the_same
const done = computed(() => lines.value.filter(settled).length)
const professions = computed(() => [...new Set(lines.value.map((l) => l.check_by))].sort())
const count = (d: Doubt) => lines.value.filter((l) => l.doubt === d && !settled(l)).length
const groups = computed(() => {
  const wanted = lines.value.filter(
    (l) => (!doubt.value || l.doubt === doubt.value) && (!by.value || l.check_by === by.value) && (!onlyOpen.value || !settled(l)),
  )
  const out = new Map<string, SignedLine[]>()
  for (const l of wanted) out.set(l.rule, [...(out.get(l.rule) ?? []), l])
  return [...out.values()]
})
const session = useSession()
const known = computed(() => session.may('sign_rules') && name.value.trim().length > 1 && profession.value.trim().length > 1)

async function load(): Promise<void> {
  try {
    lines.value = (await got(http.GET('/api/v1/rulebook/lines'))).lines
  } catch (error) {
    failed.value = inWords(error)
  }
}
async function sign(line: SignedLine, agrees: boolean, remark = ''): Promise<void> {
  busy.value = key(line)
  failed.value = ''
  try {
    const body = {
      rule: line.rule,
      number: line.number,
      digest: line.digest,
      agrees,
      remark,
      name: name.value,
      profession: profession.value,
    }
    const stored = await got(http.POST('/api/v1/rulebook/lines', { body }))
    lines.value = lines.value.map((l) => (key(l) === key(line) ? stored : l))
    objecting.value = undefined
  } catch (error) {
    failed.value = inWords(error)
    if (error instanceof Refused) await load()
  }
  busy.value = ''
}
onMounted(load)
</script>

<template>
  <article class="sheet stack">
    <h2 class="big">{{ say('lines.title') }}</h2>
    <p>{{ say('lines.about') }}</p>
    <div class="row">
      <label class="field">{{ say('lines.name') }}<el-input v-model="name" maxlength="80" /></label
      ><label class="field">{{ say('lines.profession') }}<el-input v-model="profession" maxlength="80" /></label>
      <p class="soft" data-testid="signed">{{ say('lines.done', { n: done, of: lines.length }) }}</p>
    </div>
    <div class="row" role="group" :aria-label="say('lines.why')">
      <button
        v-for="d in DOUBTS"
        :key="d"
        type="button"
        class="quiet-action"
        :aria-pressed="doubt === d"
        @click="doubt = doubt === d ? '' : d"
      >
        {{ say(`lines.${d}`) }} · {{ count(d) }}
      </button>
      <el-select v-model="by" clearable class="who" :placeholder="say('lines.by')" :aria-label="say('lines.by')"
        ><el-option v-for="p in professions" :key="p" :value="p" :label="p"
      /></el-select>
      <el-checkbox v-model="onlyOpen">{{ say('lines.onlyOpen') }}</el-checkbox>
    </div>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <p v-if="!session.may('sign_rules')" class="soft">{{ say('lines.notYours') }}</p>
    <p v-else-if="!known" class="soft">{{ say('lines.whoFirst') }}</p>
    <section v-for="g in groups" :key="g[0]!.rule" class="stack group">
      <h3>
        {{ g[0]!.title }} <span class="soft small by">{{ g[0]!.check_by }}</span>
      </h3>
      <div v-for="l in g" :key="key(l)" class="line" :data-line="key(l)">
        <p class="value">
          <template v-if="l.value !== null">{{ shown(l) }}</template>
        </p>
        <div>
          <p>{{ l.says }}</p>
          <p class="soft small">
            <span class="tag">{{ say(`lines.${l.doubt}`) }}</span> {{ l.source }}
          </p>
          <LineWord v-if="l.signature" :word="l.signature" />
          <div v-if="objecting?.key === key(l)" class="stack">
            <el-input
              v-model="objecting.remark"
              type="textarea"
              :rows="2"
              maxlength="500"
              :aria-label="say('lines.remark')"
              :placeholder="say('lines.remark')"
            />
            <div class="row">
              <button
                type="button"
                class="quiet-action"
                :disabled="objecting.remark.trim().length < 5 || !!busy"
                @click="sign(l, false, objecting.remark)"
              >
                {{ say('lines.keep') }}</button><button type="button" class="quiet-action" @click="objecting = undefined">
                {{ say('lines.never') }}
              </button>
            </div>
          </div>
        </div>
        <div class="row end">
          <button type="button" class="quiet-action" :disabled="!known || !!busy" @click="sign(l, true)">
            {{ say('lines.agree') }}</button><button
            type="button"
            class="quiet-action"
            :disabled="!known || !!busy"
            @click="objecting = { key: key(l), remark: '' }"
          >
            {{ say('lines.object') }}
          </button>
        </div>
      </div>
    </section>
    <p v-if="lines.length && !groups.length" class="soft">{{ say('lines.none') }}</p>
  </article>
</template>

<style scoped>
.sheet {
  padding: var(--space-5);
}
.big {
  font-size: var(--text-title);
}
.field {
  display: grid;
  gap: 4px;
  width: 280px;
}
.who {
  width: 300px;
}
.group {
  border-top: 1px solid var(--line);
  padding-top: var(--space-4);
}
.by {
  font-family: var(--sans);
  font-weight: 400;
  margin-left: 8px;
}
.line {
  display: grid;
  grid-template-columns: 150px 1fr auto;
  gap: var(--space-4);
  align-items: start;
}
.value {
  font-size: 20px;
  line-height: 1.2;
}
.end {
  flex-wrap: nowrap;
}
.bad {
  color: var(--brick);
}
@media (max-width: 1000px) {
  .line {
    grid-template-columns: 1fr;
  }
}
</style>
