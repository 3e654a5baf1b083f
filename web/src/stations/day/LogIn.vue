<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { say } from '../../i18n'
import { useAttempt } from '../../parts/attempt'
import DoorCard from '../../parts/DoorCard.vue'
import { useSession } from '../../stores/session'

const session = useSession()
const route = useRoute()
const router = useRouter()
const name = ref('')
const password = ref('')
const code = ref('')
const asksCode = ref(false)
const { busy, failed, attempt } = useAttempt()

const enter = () =>
  attempt(async () => {
    asksCode.value = !(await session.enter(name.value, password.value, code.value))
    if (!asksCode.value) await router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/day')
  })
</script>

<template>
  <DoorCard :title="say('login.title')" :failed="failed" @send="enter">
    <template #above><img src="/mark.svg" alt="" width="64" height="64" /></template>
    <template #said
      ><p class="soft">{{ say('login.lead') }}</p></template
    >
    <label>{{ say('login.name') }}<el-input v-model="name" name="username" autocomplete="username" size="large" /></label>
    <label
      >{{ say('login.password') }}<el-input v-model="password" name="password" type="password" autocomplete="current-password" size="large"
    /></label>
    <p v-if="asksCode" role="status">{{ say('login.codeLead') }}</p>
    <label v-if="asksCode">{{ say('login.code') }}<el-input v-model="code" name="code" autocomplete="one-time-code" size="large" /></label>
    <template #go>
      <button class="main-action" type="submit" :disabled="busy || !name || !password || (asksCode && !code)">{{ say('login.go') }}</button>
      <RouterLink to="/welcome" class="quiet-action">{{ say('login.forgotten') }}</RouterLink>
    </template>
  </DoorCard>
</template>
