<script setup lang="ts">
import { computed, ref } from 'vue'
import { got, http, Refused } from '../../api/client'
import type { Doubt, SignedLine } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useSaid } from '../../parts/said'
import { useSession } from '../../stores/session'
import LineRow from './LineRow.vue'
import LineWord from './LineWord.vue'
import { shown } from './shown'

const DOUBTS: Doubt[] = ['ours', 'practice', 'memory']
const lines = ref<SignedLine[]>([])
const name = ref('')
const profession = ref('')
const doubt = ref<Doubt | ''>('')
const by = ref('')
const onlyOpen = ref(true)
const { busy, failed, attempt } = useAttempt()
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

const fetchLines = async () => {
  lines.value = (await got(http.GET('/api/v1/rulebook/lines'))).lines
}
const sign = (line: SignedLine, agrees: boolean, remark: string) =>
  attempt(async () => {
    const body = {
      rule: line.rule,
      number: line.number,
      digest: line.digest,
      agrees,
      remark,
      name: name.value,
      profession: profession.value,
    }
    try {
      const stored = await got(http.POST('/api/v1/rulebook/lines', { body }))
      lines.value = lines.value.map((l) => (key(l) === key(line) ? stored : l))
    } catch (error) {
      if (error instanceof Refused) await fetchLines() // it may have been changed while it was read
      throw error
    }
  })
useSaid(() => attempt(fetchLines))
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
      <LineRow
        v-for="l in g"
        :key="key(l)"
        :data-line="key(l)"
        :signing="known ? 'open' : 'nameless'"
        :busy="busy"
        :sign="(agrees, remark) => sign(l, agrees, remark)"
      >
        <template #value>{{ shown(l) }}</template>
        <p>{{ l.says }}</p>
        <p class="soft small">
          <span class="tag">{{ say(`lines.${l.doubt}`) }}</span> {{ l.source }}
        </p>
        <LineWord v-if="l.signature" :word="l.signature" />
      </LineRow>
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
.bad {
  color: var(--brick);
}
</style>
