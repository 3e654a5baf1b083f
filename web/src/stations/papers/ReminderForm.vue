<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'

const client = useClient()
const address = ref('')
const told = ref('')
const { busy, failed, attempt } = useAttempt()
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const params = { path: { client_id: client.id } }

async function keep(): Promise<void> {
  told.value = ''
  const kept = await attempt(async () => {
    const body = { address: address.value, zone }
    address.value = (await got(http.PUT('/api/v1/clients/{client_id}/reminder', { params, body }))).address
  })
  if (kept) told.value = say('papers.kept')
}
onMounted(() =>
  attempt(async () => {
    address.value = (await got(http.GET('/api/v1/clients/{client_id}/reminder', { params }))).address
  }),
)
</script>

<template>
  <form class="stack" @submit.prevent="keep">
    <label class="stack tight"
      ><b>{{ say('papers.remind') }}</b
      ><span class="small soft">{{ say('papers.remindLead') }}</span
      ><el-input v-model="address" type="email" maxlength="254" :aria-label="say('papers.address')"
    /></label>
    <div class="row">
      <button type="submit" class="quiet-action" :disabled="busy">{{ say('papers.keep') }}</button><span role="status" class="soft">{{
        told
      }}</span>
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
