<script setup lang="ts">
import { computed, ref } from 'vue'
import { got, http } from '../../api/client'
import type { ChangedLine, DryRun, NumberChange } from '../../api/schemas'
import { shareOf } from '../../api/underWay'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useSession } from '../../stores/session'
import LineRow from './LineRow.vue'
import LineWord from './LineWord.vue'
import { shown } from './shown'
import TouchedClients from './TouchedClients.vue'

/** What was asked for in this house, what it does to each client, who signed which line, and the way back. */
defineProps<{ changes: NumberChange[] }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const name = ref('')
const profession = ref('')
const back = ref('')
const effects = ref<Record<string, DryRun>>({})
const { busy, failed, attempt } = useAttempt()
const looking = ref('')
const share = computed(() => (looking.value ? shareOf(`/changes/${looking.value}/effect`).value : undefined))
const named = computed(() => name.value.trim().length > 1 && profession.value.trim().length > 1)
const maySign = (c: NumberChange) => session.may('sign_rules') && c.state === null && !c.own

const look = (c: NumberChange) =>
  attempt(async () => {
    looking.value = c.id
    const path = { change_id: c.id }
    effects.value[c.id] = await got(http.GET('/api/v1/rulebook/changes/{change_id}/effect', { params: { path } }))
  }).finally(() => (looking.value = ''))
const sign = (c: NumberChange, line: ChangedLine, agrees: boolean, remark: string) =>
  attempt(async () => {
    const body = {
      rule: line.rule,
      number: line.number,
      agrees,
      remark,
      name: name.value,
      profession: profession.value,
    }
    await got(http.POST('/api/v1/rulebook/changes/{change_id}/signatures', { params: { path: { change_id: c.id } }, body }))
    delete effects.value[c.id]
    emit('changed')
  })
const rollBack = (c: NumberChange) =>
  attempt(async () => {
    const params = { path: { change_id: c.id } }
    await got(http.POST('/api/v1/rulebook/changes/{change_id}/roll-back', { params, body: { reason: back.value } }))
    back.value = ''
    delete effects.value[c.id]
    emit('changed')
  })
</script>

<template>
  <article class="sheet stack">
    <h2 class="big">{{ say('changes.title') }}</h2>
    <p>{{ say('changes.about') }}</p>
    <p v-if="!changes.length" class="soft">{{ say('changes.none') }}</p>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <section v-for="c in changes" :key="c.id" class="change stack" :data-change="c.id">
      <div class="row head">
        <h3>
          <span class="tag">{{ c.state === null ? say('changes.waits') : say(`changes.${c.state}`) }}</span> {{ c.reason }}
        </h3>
        <p class="soft small">
          {{ say('changes.by', { name: c.asked_by, day: dayShown(c.on) })
          }}<template v-if="c.state_on">
            · {{ say('changes.then', { name: c.state_by, day: dayShown(c.state_on) })
            }}<template v-if="c.state_reason">: {{ c.state_reason }}</template></template
          >
        </p>
      </div>
      <LineRow
        v-for="l in c.lines"
        :key="l.rule + l.number"
        :data-line="`${l.rule}.${l.number}`"
        :signing="!maySign(c) || !effects[c.id] || l.signature ? 'no' : named ? 'open' : 'nameless'"
        :busy="busy"
        :sign="(agrees, remark) => sign(c, l, agrees, remark)"
      >
        <template #value
          ><s>{{ shown({ value: l.was, unit: l.unit }) }}</s> {{ shown(l) }}</template
        >
        <p>
          <b>{{ l.title }}</b> · {{ l.says }}
        </p>
        <LineWord v-if="l.signature" :word="l.signature" />
        <p v-else-if="c.state === null" class="small soft">{{ say('changes.wants', { who: l.check_by }) }}</p>
      </LineRow>
      <p v-if="c.own && c.state === null" class="soft small">{{ say('changes.second') }}</p>
      <div v-if="(c.state === null || c.state === 'in_force') && session.may('try_rules') && !effects[c.id]" class="row">
        <button type="button" class="quiet-action" :disabled="busy" @click="look(c)">
          {{
            looking === c.id && share !== undefined
              ? say('rulebook.share', { percent: Math.round(100 * share) })
              : say(c.state === null ? 'changes.look' : 'changes.lookBack')
          }}
        </button>
      </div>
      <template v-if="effects[c.id]">
        <h4>{{ say(c.state === null ? 'changes.would' : 'changes.wouldBack') }}</h4>
        <TouchedClients :found="effects[c.id]!" />
        <div v-if="maySign(c)" class="row fields">
          <label class="field">{{ say('lines.name') }}<el-input v-model="name" maxlength="80" /></label
          ><label class="field">{{ say('lines.profession') }}<el-input v-model="profession" maxlength="80" /></label>
        </div>
        <div v-if="c.state === 'in_force' && session.may('sign_rules')" class="row fields">
          <label class="field">{{ say('changes.whyBack') }}<el-input v-model="back" maxlength="300" /></label
          ><button type="button" class="quiet-action" :disabled="busy || back.trim().length < 5" @click="rollBack(c)">
            {{ say('changes.rollBack') }}
          </button>
        </div>
      </template>
      <details v-if="c.found">
        <summary>{{ say('changes.found') }}</summary>
        <TouchedClients :found="c.found" />
      </details>
    </section>
  </article>
</template>

<style scoped>
.sheet {
  padding: var(--space-5);
}
.big {
  font-size: var(--text-title);
}
.change {
  border-top: 1px solid var(--line);
  padding-top: var(--space-4);
}
.head {
  justify-content: space-between;
  align-items: baseline;
}
s {
  color: var(--ink-soft);
  font-size: 16px;
}
.field {
  display: grid;
  gap: 4px;
  width: 240px;
}
.fields {
  align-items: end;
}
summary {
  cursor: pointer;
  min-height: 44px;
  align-content: center;
}
.bad {
  color: var(--brick);
}
</style>
