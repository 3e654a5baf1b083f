<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { got, http } from '../../api/client'
import type { OwnText } from '../../api/schemas'
import { say } from '../../i18n'
import { inWords } from '../../stores/answers'

const emit = defineEmits<{ kept: [] }>()
const texts = ref<OwnText[]>([])
const names = ref<string[]>([])
const braced = computed(() => names.value.map((n) => `{{ ${n} }}`).join(' '))
const faults = ref<Record<string, string>>({})
const done = ref('')

function take(answer: { texts: OwnText[]; names: string[] }): void {
  texts.value = answer.texts
  names.value = answer.names
}
async function keep(t: OwnText): Promise<void> {
  faults.value = {}
  done.value = ''
  try {
    const others = texts.value.filter((x) => x.key !== t.key)
    const answer = await got(http.PUT('/api/v1/texts/{key}', { params: { path: { key: t.key } }, body: { text: t.text } }))
    take({ ...answer, texts: answer.texts.map((x) => others.find((o) => o.key === x.key) ?? x) })
    done.value = t.key
    emit('kept')
  } catch (error) {
    faults.value = { [t.key]: inWords(error) }
  }
}
onMounted(async () => {
  try {
    take(await got(http.GET('/api/v1/texts')))
  } catch (error) {
    faults.value = { '': inWords(error) }
  }
})
</script>

<template>
  <div class="stack">
    <p class="small soft">{{ say('papers.names', { names: braced }) }}</p>
    <p v-if="faults['']" role="alert">{{ faults[''] }}</p>
    <div v-for="t in texts" :key="t.key" class="stack text">
      <label class="stack tight"
        ><span
          ><b>{{ t.title }}</b> <span class="soft small">{{ t.where }}</span></span
        ><el-input v-model="t.text" type="textarea" :autosize="{ minRows: 2, maxRows: 6 }" maxlength="2000"
      /></label>
      <div class="row">
        <button type="button" class="quiet-action" @click="keep(t)">{{ say('papers.keep') }}</button><span
          v-if="done === t.key"
          role="status"
          class="soft"
          >{{ say('papers.kept') }}</span
        >
      </div>
      <p v-if="faults[t.key]" role="alert" class="bad">{{ faults[t.key] }}</p>
    </div>
  </div>
</template>

<style scoped>
.tight {
  gap: 4px;
}
.bad {
  color: var(--brick);
}
.text {
  border-top: 1px solid var(--line);
  padding-top: 8px;
}
</style>
