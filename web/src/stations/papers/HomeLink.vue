<script setup lang="ts">
import { ref } from 'vue'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'

/** The private link that opens today's session at home. */
const client = useClient()
const at = { params: { path: { client_id: client.view!.id } } }
const until = ref<string | null>()
const made = ref<{ address: string; code: string }>()
const { failed, attempt } = useAttempt()
void attempt(async () => {
  until.value = (await got(http.GET('/api/v1/clients/{client_id}/home-link', at))).expires_on
})
const make = (): Promise<boolean> =>
  attempt(async () => {
    const link = await got(http.POST('/api/v1/clients/{client_id}/home-link', at))
    until.value = link.expires_on
    made.value = { address: location.origin + link.path, code: link.code }
  })
const takeBack = (): Promise<boolean> =>
  attempt(async () => {
    until.value = (await got(http.DELETE('/api/v1/clients/{client_id}/home-link', at))).expires_on
    made.value = undefined
  })
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say('home.linkTitle') }}</h2>
    <p class="soft">{{ say('home.linkLead') }}</p>
    <p v-if="failed" role="alert">{{ failed }}</p>
    <p v-if="until" class="tag">{{ say('home.linkUntil', { day: until }) }}</p>
    <template v-if="made">
      <p>
        <strong>{{ say('home.linkOnce') }}</strong>
      </p>
      <p class="address">{{ made.address }}</p>
      <p>
        {{ say('home.linkCode') }}: <b class="code">{{ made.code }}</b>
      </p>
    </template>
    <div class="row">
      <button type="button" class="quiet-action" @click="make">{{ say('home.linkMake') }}</button>
      <button v-if="until" type="button" class="quiet-action" @click="takeBack">{{ say('home.linkBack') }}</button>
    </div>
  </section>
</template>

<style scoped>
.address {
  overflow-wrap: anywhere;
}
.code {
  font-size: 24px;
  letter-spacing: 0.06em;
}
</style>
