<script setup lang="ts">
import { reactive } from 'vue'
import type { Limit } from '../../api/schemas'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'
import { useSession } from '../../stores/session'

const props = defineProps<{ limit: Limit; opens: string[] }>()
const client = useClient()
const session = useSession()
const review = reactive({
  done_strongly: undefined as boolean | undefined,
  confidence_0_to_10: 7,
  next_day_flare: undefined as boolean | undefined,
})
const { busy, failed, attempt } = useAttempt()

const keep = () =>
  attempt(async () => {
    const rule = props.limit.rule
    await client.add('reviews', { rule, on: client.view!.case.as_of, ...review, by: session.user }, `review: ${rule.replaceAll('_', ' ')}`)
  })
</script>

<template>
  <form class="review" @submit.prevent="keep">
    <div class="row spread">
      <b>{{ say('limits.grade', { n: limit.grade + 1, of: limit.grades }) }}</b><span class="grades" aria-hidden="true"
        ><i v-for="g in limit.grades" :key="g" :class="{ past: g <= limit.grade, now: g === limit.grade + 1 }"
      /></span>
    </div>
    <p>
      {{ say('limits.next', { grade: limit.next_grade }) }}
      <template v-if="opens.length">{{ say('limits.opens', { n: opens.length }) }}</template>
    </p>
    <div class="row spread">
      <span id="strongly">{{ say('limits.strongly') }}</span><el-radio-group v-model="review.done_strongly" aria-labelledby="strongly"
        ><el-radio-button :value="true" :label="say('story.yes')" /><el-radio-button :value="false" :label="say('story.no')"
      /></el-radio-group>
    </div>
    <div class="row spread">
      <span id="sure">{{ say('limits.confidence') }}</span><el-input-number
        v-model="review.confidence_0_to_10"
        :min="0"
        :max="10"
        :aria-label="say('limits.confidence')"
      />
    </div>
    <div class="row spread">
      <span id="flare">{{ say('limits.flare') }}</span><el-radio-group v-model="review.next_day_flare" aria-labelledby="flare"
        ><el-radio-button :value="true" :label="say('story.yes')" /><el-radio-button :value="false" :label="say('story.no')"
      /></el-radio-group>
    </div>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <div>
      <button
        class="main-action"
        type="submit"
        :disabled="busy || review.done_strongly === undefined || review.next_day_flare === undefined"
      >
        {{ say('limits.keepReview') }}
      </button>
    </div>
  </form>
</template>

<style scoped>
.review {
  background: var(--accent-wash);
  border-radius: var(--round-small);
  padding: var(--space-3) var(--space-4);
  display: grid;
  gap: 10px;
  margin: 4px 0 10px;
}
.grades {
  display: inline-flex;
  gap: 4px;
}
.grades i {
  width: 34px;
  height: 10px;
  border-radius: 5px;
  background: var(--paper);
  border: 1px solid var(--accent);
}
.grades .past {
  background: var(--accent);
}
.grades .now {
  background: var(--straw);
  border-color: var(--straw);
}
.bad {
  color: var(--brick);
}
</style>
