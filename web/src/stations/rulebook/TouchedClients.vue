<script setup lang="ts">
import type { DryRun, TouchedClient } from '../../api/schemas'
import { say } from '../../i18n'
import { useSession } from '../../stores/session'

/** What other figures do to each client: who is touched, what moves for them, which movements open and close. */
defineProps<{ found: DryRun }>()
const session = useSession()
const named = (refs: string[]) => refs.map(session.titleOf).sort()
const kinds = (c: TouchedClient) => [
  { id: 'opens', refs: named(c.opens) },
  { id: 'closes', refs: named(c.closes) },
]
</script>

<template>
  <div class="stack" data-testid="touched">
    <p>
      <b>{{
        say('rulebook.touched', { n: found.clients.length, of: found.clients.length + found.untouched + found.unreadable.length })
      }}</b>
    </p>
    <p v-for="u in found.unreadable" :key="u.id" class="bad">{{ say('rulebook.unreadable', { name: u.name }) }}</p>
    <div v-for="c in found.clients" :key="c.id" class="touched" :data-client="c.id">
      <RouterLink :to="`/client/${c.id}/limits`"
        ><b>{{ c.name || say('rulebook.noName') }}</b></RouterLink
      >
      <p v-for="m in c.limits" :key="m.id" class="small">
        <span class="tag">{{ say(`moved.${m.change}`) }}</span> {{ m.was }}<template v-if="m.was && m.says"> → </template>{{ m.says }}
      </p>
      <p v-for="d in c.duties" :key="d.kind + d.id" class="small">
        <span class="tag">{{ say(`moved.${d.change}`) }}</span> {{ say(`duty.${d.kind}`) }}: {{ d.says }}
      </p>
      <template v-for="k in kinds(c)" :key="k.id">
        <details v-if="k.refs.length" class="small">
          <summary>{{ say(k.id === 'opens' ? 'rulebook.opens' : 'rulebook.closes', { n: k.refs.length }) }}</summary>
          <p>{{ k.refs.join(' · ') }}</p>
        </details>
      </template>
      <p v-if="!c.opens.length && !c.closes.length" class="small soft">{{ say('rulebook.noMovement') }}</p>
    </div>
  </div>
</template>

<style scoped>
.touched {
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: var(--round-small);
  padding: var(--space-3);
  display: grid;
  gap: 4px;
}
summary {
  cursor: pointer;
  min-height: 28px;
}
.bad {
  color: var(--brick);
}
</style>
