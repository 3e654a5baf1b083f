<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import DoorCard from '../../parts/DoorCard.vue'

/** Behind the link of a mail: choose a password. Without a link: ask for one. */
const route = useRoute()
const link = computed(() => ({ who: String(route.query.who ?? ''), token: String(route.query.token ?? '') }))
const invited = computed(() => !!link.value.who && !!link.value.token)
const username = ref('')
const password = ref('')
const done = ref(false)
const { busy, failed, attempt } = useAttempt()

const go = () =>
  attempt(async () => {
    if (invited.value) await got(http.POST('/api/v1/password/new', { body: { ...link.value, password: password.value } }))
    else await got(http.POST('/api/v1/password/forgotten', { body: { username: username.value } }))
    done.value = true
  })
</script>

<template>
  <DoorCard v-if="done" :title="say(invited ? 'welcome.title' : 'forgotten.title')">
    <template #said
      ><p role="status">{{ say(invited ? 'welcome.done' : 'forgotten.done') }}</p>
      <RouterLink to="/login" class="main-action">{{ say('login.go') }}</RouterLink></template
    >
  </DoorCard>
  <DoorCard v-else :title="say(invited ? 'welcome.title' : 'forgotten.title')" :failed="failed" @send="go">
    <p class="soft">{{ say(invited ? 'welcome.lead' : 'forgotten.lead') }}</p>
    <label v-if="invited"
      >{{ say('login.password')
      }}<el-input v-model="password" name="new-password" type="password" autocomplete="new-password" size="large" show-password
    /></label>
    <label v-else>{{ say('login.name') }}<el-input v-model="username" name="username" autocomplete="username" size="large" /></label>
    <template #go>
      <button class="main-action" type="submit" :disabled="busy || (invited ? password.length < 10 : !username)">
        {{ say(invited ? 'welcome.go' : 'forgotten.go') }}
      </button>
    </template>
  </DoorCard>
</template>
