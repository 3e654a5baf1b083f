<script setup lang="ts">
import { ref } from 'vue'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useClient } from '../../stores/client'

/** The private link that opens today's session at home. */
const client = useClient()
const at = { params: { path: { client_id: client.view!.id } } }
const until = ref<string | null>()
const made = ref<{ address: string; door: string; code: string; picture: string }>()
const asked = useAttempt() // of its own: who presses the button before the answer is there is not overheard
const { busy, failed, attempt } = useAttempt()
void asked.attempt(async () => {
  const known = (await got(http.GET('/api/v1/clients/{client_id}/home-link', at))).expires_on
  if (!made.value) until.value = known
})
const make = (): Promise<boolean> =>
  attempt(async () => {
    const link = await got(http.POST('/api/v1/clients/{client_id}/home-link', at))
    until.value = link.expires_on
    made.value = { address: location.origin + link.path, door: `${location.origin}/home`, code: link.code, picture: link.picture }
  })
const print = (): void => window.print()
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
    <p v-if="failed || asked.failed.value" role="alert">{{ failed || asked.failed.value }}</p>
    <p v-if="until" class="tag">{{ say('home.linkUntil', { day: dayShown(until) }) }}</p>
    <template v-if="made">
      <p>
        <strong>{{ say('home.linkOnce') }}</strong>
      </p>
      <p class="address">{{ made.address }}</p>
      <div class="home-slip">
        <div class="picture" role="img" :aria-label="say('home.slipPicture')" v-html="made.picture" />
        <div>
          <p>
            <b>{{ say('home.slipTitle') }}</b>
          </p>
          <p>{{ say('home.slipCamera') }}</p>
          <p>{{ say('home.slipType', { address: made.door }) }}</p>
          <p class="code">{{ made.code }}</p>
          <p v-if="until" class="small">{{ say('home.linkUntil', { day: dayShown(until) }) }}</p>
        </div>
      </div>
      <div>
        <button type="button" class="main-action" @click="print">{{ say('home.slipPrint') }}</button>
      </div>
    </template>
    <div class="row">
      <button type="button" class="quiet-action" :disabled="busy" @click="make">{{ say('home.linkMake') }}</button>
      <button v-if="until" type="button" class="quiet-action" :disabled="busy" @click="takeBack">{{ say('home.linkBack') }}</button>
    </div>
  </section>
</template>

<style scoped>
.address {
  overflow-wrap: anywhere;
}
.code {
  font-size: 24px;
  font-weight: 700;
  letter-spacing: 0.06em;
}
.home-slip {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  border: 1.5px dashed var(--ink-soft);
  border-radius: var(--round-small);
  padding: 12px 16px;
  background: #fff;
  color: #1f2a30;
}
.home-slip p {
  margin: 2px 0;
}
.picture {
  flex: none;
  line-height: 0;
}
</style>

<style>
/* On paper the slip stands alone. */
@media print {
  body:has(.home-slip) * {
    visibility: hidden;
  }
  body .home-slip,
  body .home-slip * {
    visibility: visible;
  }
  body .home-slip {
    position: fixed;
    inset: 0 auto auto 0;
  }
}
</style>
