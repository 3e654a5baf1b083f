<script setup lang="ts">
import type { SignedLine } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'

/** Who agreed with a line, or objected to it, when and why. */
defineProps<{ word: NonNullable<SignedLine['signature']> }>()
</script>

<template>
  <p class="small" :class="{ bad: !word.agrees }">
    {{ say(word.agrees ? 'lines.agreed' : 'lines.objected', { name: word.name, profession: word.profession, day: dayShown(word.on) })
    }}<template v-if="word.remark">: {{ word.remark }}</template
    ><template v-if="!word.still_the_same"> · {{ say('lines.changed') }}</template>
  </p>
</template>

<style scoped>
.bad {
  color: var(--brick);
}
</style>
