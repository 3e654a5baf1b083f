<script setup lang="ts">
import { ref } from 'vue'
import type { Proposal } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'

/** One proposal with what it rests on; accepted in one tap, declined with a reason. */
defineProps<{ proposal: Proposal; may: boolean; busy: boolean }>()
const emit = defineEmits<{ accept: []; decline: [reason: string] }>()
const declining = ref(false)
const reason = ref('')
</script>

<template>
  <article class="proposal" :class="proposal.kind">
    <div class="head">
      <svg width="30" height="30" viewBox="0 0 30 30" aria-hidden="true">
        <path v-if="proposal.kind === 'step_up'" d="M4 24h8v-7h7v-7h7" fill="none" stroke="currentColor" stroke-width="3" />
        <path v-else-if="proposal.kind === 'step_down'" d="M4 8h8v7h7v7h7" fill="none" stroke="currentColor" stroke-width="3" />
        <path v-else-if="proposal.kind === 'stay'" d="M4 15h22" fill="none" stroke="currentColor" stroke-width="3" />
        <path v-else-if="proposal.kind === 'pause'" d="M11 6v18M19 6v18" fill="none" stroke="currentColor" stroke-width="4" />
        <path
          v-else-if="proposal.kind === 'refer'"
          d="M15 4v14M15 23v2"
          fill="none"
          stroke="currentColor"
          stroke-width="4"
          stroke-linecap="round"
        />
        <path v-else d="M15 5v10l7 4M15 27a12 12 0 1 1 .1 0" fill="none" stroke="currentColor" stroke-width="2.6" />
      </svg>
      <div>
        <b
          >{{ say(`course.kind.${proposal.kind}`) }}<template v-if="proposal.title">: {{ proposal.title }}</template></b
        >
        <span v-if="proposal.side !== 'both'" class="tag">{{ say(proposal.side === 'left' ? 'course.left' : 'course.right') }}</span>
        <span v-if="proposal.waits" class="tag">{{ say('course.waits') }}</span>
        <p>{{ proposal.says }}</p>
      </div>
    </div>
    <ul class="small seen">
      <li v-for="e in proposal.evidence" :key="e.on + e.visit">{{ dayShown(e.on) }}: {{ e.says }}</li>
    </ul>
    <p class="small soft">
      {{ say('course.would') }}: {{ proposal.would_change }}. <span class="source">{{ proposal.source }}</span>
    </p>
    <div v-if="may && !proposal.waits" class="row">
      <button v-if="!declining" type="button" class="main-action" :disabled="busy" @click="emit('accept')">
        {{ say('course.accept') }}
      </button>
      <button v-if="!declining" type="button" class="quiet-action" :disabled="busy" @click="declining = true">
        {{ say('course.decline') }}
      </button>
      <template v-else>
        <el-input v-model="reason" :placeholder="say('course.reason')" :aria-label="say('course.reason')" maxlength="300" class="why" />
        <button type="button" class="quiet-action" :disabled="busy || reason.trim().length < 5" @click="emit('decline', reason.trim())">
          {{ say('course.keep') }}
        </button>
      </template>
    </div>
  </article>
</template>

<style scoped>
.proposal {
  background: var(--paper);
  border: 1px solid var(--line);
  border-left: 6px solid var(--line);
  border-radius: var(--round);
  padding: var(--space-4);
  display: grid;
  gap: 8px;
}
.step_up {
  border-left-color: var(--accent);
}
.refer,
.pause {
  border-left-color: var(--brick);
}
.step_down,
.retest,
.graded_return {
  border-left-color: var(--straw);
}
.head {
  display: grid;
  grid-template-columns: 36px 1fr;
  gap: 10px;
  font-size: 19px;
}
.seen {
  margin: 0;
  padding-left: 46px;
}
.why {
  max-width: 320px;
}
.source {
  opacity: 0.85;
}
</style>
