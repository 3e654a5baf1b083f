<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { got, http } from '../../api/client'
import type { components } from '../../api/schema'
import { say } from '../../i18n'
import { momentShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useSession } from '../../stores/session'

/** One's own log-in: password, second factor, and where it is open. */
type Begun = components['schemas']['Begun']
const session = useSession()
const queries = useQueryClient()
const asked = useQuery({ queryKey: ['own'], queryFn: () => got(http.GET('/api/v1/own')), staleTime: 0 })
const own = computed(() => asked.data.value)
const [old, fresh, password, code] = [ref(''), ref(''), ref(''), ref('')]
const begun = ref<Begun>()
const codes = ref<string[]>([])
const told = ref('')

const { busy, failed, attempt: tried } = useAttempt()
async function attempt(work: () => Promise<unknown>): Promise<void> {
  told.value = ''
  if (await tried(work)) await queries.invalidateQueries({ queryKey: ['own'] })
}
const change = () =>
  attempt(async () => {
    await got(http.POST('/api/v1/password', { body: { old: old.value, new: fresh.value } }))
    old.value = fresh.value = ''
    told.value = say('own.changed')
  })
const begin = () =>
  attempt(async () => {
    begun.value = await got(http.POST('/api/v1/second-factor', { body: { password: password.value } }))
    password.value = ''
  })
const confirm = () =>
  attempt(async () => {
    codes.value = (await got(http.POST('/api/v1/second-factor/confirm', { body: { code: code.value } }))).codes
    begun.value = undefined
    code.value = ''
  })
const remove = () =>
  attempt(async () => {
    await got(http.POST('/api/v1/second-factor/remove', { body: { password: password.value } }))
    password.value = ''
    codes.value = []
  })
const end = (id: string) => attempt(() => got(http.POST('/api/v1/sessions/{session_id}/end', { params: { path: { session_id: id } } })))
const endOthers = () => attempt(() => got(http.POST('/api/v1/sessions/end-others')))
</script>

<template>
  <main class="own stack">
    <h1>{{ say('own.title', { name: session.user }) }}</h1>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <p v-if="told" role="status">{{ told }}</p>
    <section class="sheet stack">
      <h2>{{ say('own.second') }}</h2>
      <template v-if="codes.length">
        <p role="status">{{ say('own.written') }}</p>
        <ol class="codes">
          <li v-for="c in codes" :key="c">
            <code>{{ c }}</code>
          </li>
        </ol>
        <div>
          <button type="button" class="main-action" @click="codes = []">{{ say('own.wroteDown') }}</button>
        </div>
      </template>
      <form v-else-if="begun" class="scan" @submit.prevent="confirm">
        <!-- Made by our own server from the secret alone. -->
        <div class="qr" role="img" :aria-label="say('own.picture')" v-html="begun.picture" />
        <div class="stack">
          <p>{{ say('own.scan') }}</p>
          <p class="secret">
            <code>{{ begun.secret }}</code>
          </p>
          <label
            >{{ say('own.code') }}<el-input v-model="code" name="first-code" inputmode="numeric" autocomplete="one-time-code" size="large"
          /></label>
          <div>
            <button class="main-action" type="submit" :disabled="busy || code.trim().length < 6">{{ say('own.confirm') }}</button>
          </div>
        </div>
      </form>
      <form v-else class="stack" @submit.prevent="own?.second_factor ? remove() : begin()">
        <p>{{ own?.second_factor ? say('own.has', { n: own.codes_left }) : say('own.lead') }}</p>
        <label class="narrow"
          >{{ say('own.password') }}<el-input v-model="password" name="own-password" type="password" autocomplete="current-password"
        /></label>
        <div>
          <button :class="own?.second_factor ? 'quiet-action' : 'main-action'" type="submit" :disabled="busy || !password || !own">
            {{ say(own?.second_factor ? 'own.remove' : 'own.begin') }}
          </button>
        </div>
      </form>
    </section>
    <section class="sheet stack">
      <h2>{{ say('own.where') }}</h2>
      <div v-for="s in own?.sessions" :key="s.id" class="row spread place">
        <span
          ><b v-if="s.here">{{ say('own.here') }}</b> <span class="device">{{ s.device || say('own.unknown') }}</span><br /><span
            class="soft small"
            >{{ say('own.since', { began: momentShown(s.began_at), seen: momentShown(s.seen_at) }) }}</span
          ></span
        >
        <button v-if="!s.here" type="button" class="quiet-action" :disabled="busy" @click="end(s.id)">{{ say('own.end') }}</button>
      </div>
      <div v-if="(own?.sessions.length ?? 0) > 1">
        <button type="button" class="quiet-action" :disabled="busy" @click="endOthers">{{ say('own.endOthers') }}</button>
      </div>
    </section>
    <form class="sheet stack" @submit.prevent="change">
      <h2>{{ say('own.another') }}</h2>
      <label class="narrow"
        >{{ say('own.old') }}<el-input v-model="old" name="old-password" type="password" autocomplete="current-password"
      /></label>
      <label class="narrow"
        >{{ say('own.new') }}<el-input v-model="fresh" name="another-password" type="password" autocomplete="new-password" show-password
      /></label>
      <p class="soft small">{{ say('welcome.lead') }}</p>
      <div>
        <button class="quiet-action" type="submit" :disabled="busy || !old || fresh.length < 10">{{ say('own.keep') }}</button>
      </div>
    </form>
  </main>
</template>

<style scoped>
.own {
  padding: 0 var(--space-5);
  max-width: 900px;
  margin: 0 auto;
}
.bad {
  color: var(--brick);
}
label {
  display: grid;
  gap: 4px;
}
.narrow {
  max-width: 420px;
}
.scan {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: var(--space-4);
  align-items: start;
}
.qr {
  background: #fff;
  border-radius: 8px;
  padding: 8px;
  line-height: 0;
}
.secret code {
  font-size: 18px;
  letter-spacing: 0.06em;
}
.codes {
  columns: 2;
  font-size: 19px;
  line-height: 1.9;
  max-width: 460px;
}
.device {
  overflow-wrap: anywhere;
}
.place + .place {
  border-top: 1px solid var(--line);
  padding-top: var(--space-3);
}
@media (max-width: 720px) {
  .own {
    padding: 0 var(--space-3);
  }
  .scan {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
