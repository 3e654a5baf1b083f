<script setup lang="ts">
import { computed } from 'vue'
import { got, http } from '../../api/client'
import type { ClientView } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'

/** What clinicians said and what was opened by hand: who confirms it, who withdraws it, until when it counts. */
const client = useClient()
const session = useSession()
const { busy, failed, attempt } = useAttempt()
const today = computed(() => client.view!.case.as_of)
const words = computed(() => client.view!.case.clinician_words.map((w, index) => ({ w, index })).filter(({ w }) => !w.withdrawn_on))
const overrides = computed(() =>
  client.view!.case.overrides.map((o, index) => ({ o, index })).filter(({ o }) => !o.withdrawn_on && o.expires_on >= today.value),
)
const stepTitle = (ref_: string): string => session.reference?.movements.find((m) => `${m.family}/${m.step}` === ref_)?.title ?? ref_
const ruleTitle = (id: string): string => session.reference?.rules.find((r) => r.id === id.split('.')[0])?.title ?? id
const what = (w: (typeof words.value)[number]['w']): string =>
  w.kind === 'clears'
    ? say('said.clears', { what: ruleTitle(w.clears) })
    : say(w.kind === 'limits' ? 'said.limits' : 'said.forbids', {
        what: session.reference?.quantities.find((q) => q.id === w.quantity)?.title ?? stepTitle(w.step),
      })
const waits = (w: (typeof words.value)[number]['w']): boolean => w.reported && !w.confirmed_by
const own = (w: (typeof words.value)[number]['w']): boolean => w.recorded_by === session.login
const mayWithdraw = (w: (typeof words.value)[number]['w']): boolean =>
  session.may('make_stricter') && (w.kind === 'clears' || own(w) || session.may('lift_forbidden'))

const change = (call: (of: ClientView) => Promise<ClientView>) => attempt(async () => client.take(await call(client.view!)))
const at = (of: ClientView, index: number) => ({ params: { path: { client_id: of.id, index } }, body: { base_revision: of.revision } })
const confirm = (index: number) => change((of) => got(http.POST('/api/v1/clients/{client_id}/words/{index}/confirm', at(of, index))))
const withdraw = (index: number) => change((of) => got(http.POST('/api/v1/clients/{client_id}/words/{index}/withdraw', at(of, index))))
const close = (index: number) => change((of) => got(http.POST('/api/v1/clients/{client_id}/overrides/{index}/withdraw', at(of, index))))
</script>

<template>
  <div v-if="words.length || overrides.length" class="sheet stack said">
    <h2>{{ say('said.title') }}</h2>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div v-for="{ w, index } in words" :key="`w${index}`" class="entry-said" :class="{ waits: waits(w) }">
      <p>
        <b>{{ what(w) }}</b><br /><span class="soft small"
          >{{ w.name }}, {{ w.role }} · {{ dayShown(w.on) }}<template v-if="w.document"> · {{ w.document }}</template></span
        >
      </p>
      <p v-if="waits(w)" class="small">{{ own(w) ? say('said.waitsForOther') : say('said.waits') }}</p>
      <div class="row">
        <button
          v-if="waits(w) && !own(w) && session.may('confirm')"
          type="button"
          class="main-action"
          :disabled="busy"
          @click="confirm(index)"
        >
          {{ say('said.confirm') }}
        </button>
        <button v-if="mayWithdraw(w)" type="button" class="quiet-action" :disabled="busy" @click="withdraw(index)">
          {{ say('said.withdraw') }}
        </button>
      </div>
    </div>
    <div v-for="{ o, index } in overrides" :key="`o${index}`" class="entry-said">
      <p>
        <b>{{ say('said.opened', { what: stepTitle(o.step) }) }}</b><br /><span class="soft small"
          >{{ o.by }} · {{ o.reason }} · {{ say('said.until', { day: dayShown(o.expires_on) }) }}</span
        >
      </p>
      <div v-if="session.may('make_stricter')" class="row">
        <button type="button" class="quiet-action" :disabled="busy" @click="close(index)">{{ say('said.close') }}</button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.entry-said {
  border-left: 6px solid var(--line);
  padding-left: var(--space-3);
  display: grid;
  gap: 6px;
}
.waits {
  border-left: 6px dotted var(--straw);
}
.entry-said p {
  margin: 0;
}
.bad {
  color: var(--brick);
}
</style>
