<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { got, http, Refused } from '../../api/client'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'

const client = useClient()
const address = ref('')
const told = ref('')
const failed = ref('')
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const params = { path: { client_id: client.id } }

async function attempt(work: () => Promise<{ address: string }>, done: string): Promise<void> {
  failed.value = told.value = ''
  try {
    address.value = (await work()).address
    told.value = done
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
}
const keep = (): Promise<void> =>
  attempt(
    () => got(http.PUT('/api/v1/clients/{client_id}/reminder', { params, body: { address: address.value, zone } })),
    say('papers.kept'),
  )
onMounted(() => void attempt(() => got(http.GET('/api/v1/clients/{client_id}/reminder', { params })), ''))
</script>

<template>
  <form class="stack" @submit.prevent="keep">
    <label class="stack tight"
      ><b>{{ say('papers.remind') }}</b
      ><span class="small soft">{{ say('papers.remindLead') }}</span
      ><el-input v-model="address" type="email" maxlength="254" :aria-label="say('papers.address')"
    /></label>
    <div class="row">
      <button type="submit" class="quiet-action">{{ say('papers.keep') }}</button><span role="status" class="soft">{{ told }}</span>
    </div>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
  </form>
</template>

<style scoped>
.tight {
  gap: 4px;
}
.bad {
  color: var(--brick);
}
</style>
