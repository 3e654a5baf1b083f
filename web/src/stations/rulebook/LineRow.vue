<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '../../i18n'

/** A line of the rule-book with its figure, and the word of whoever goes through it: agree, or object with a reason. */
const props = defineProps<{
  /** Whether a word is asked for here, and of somebody who has said who they are. */
  signing: 'no' | 'nameless' | 'open'
  busy: boolean
  /** Keep a word; whether it was kept. */
  sign: (agrees: boolean, remark: string) => Promise<boolean>
}>()
const LEAST = 5 // letters of a reason
const remark = ref<string>()
const off = computed(() => props.busy || props.signing !== 'open')
const tooShort = computed(() => (remark.value ?? '').trim().length < LEAST)
async function object(): Promise<void> {
  if (await props.sign(false, remark.value ?? '')) remark.value = undefined
}
</script>

<template>
  <div class="line">
    <p class="value"><slot name="value" /></p>
    <div class="stack">
      <slot />
      <template v-if="remark !== undefined">
        <el-input
          v-model="remark"
          type="textarea"
          :rows="2"
          maxlength="500"
          :aria-label="say('lines.remark')"
          :placeholder="say('lines.remark')"
        />
        <div class="row">
          <button type="button" class="quiet-action" :disabled="off || tooShort" @click="object">{{ say('lines.keep') }}</button><button
            type="button"
            class="quiet-action"
            @click="remark = undefined"
          >
            {{ say('lines.never') }}
          </button>
        </div>
      </template>
    </div>
    <div v-if="signing !== 'no'" class="row end">
      <button type="button" class="quiet-action" :disabled="off" @click="sign(true, '')">{{ say('lines.agree') }}</button><button
        type="button"
        class="quiet-action"
        :disabled="off"
        @click="remark = ''"
      >
        {{ say('lines.object') }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 160px 1fr auto;
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
@media (max-width: 1000px) {
  .line {
    grid-template-columns: 1fr;
  }
}
</style>
