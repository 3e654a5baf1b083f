<script setup lang="ts">
import { ref } from 'vue'
import { say } from '../i18n'
import { useAttempt } from './attempt'
import { useSession } from '../stores/session'

/** The session has ended while a page was open: the password again, and what was typed is still there. */
const session = useSession()
const password = ref('')
const code = ref('')
const asksCode = ref(false)
const { busy, failed, attempt } = useAttempt()
const back = () =>
  attempt(async () => {
    asksCode.value = !(await session.comeBack(password.value, code.value))
    if (!asksCode.value) password.value = code.value = ''
  })
</script>

<template>
  <el-dialog
    :model-value="session.lapsed"
    :title="say('lapsed.title')"
    width="420"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
    :show-close="false"
  >
    <form class="stack" @submit.prevent="back">
      <p>{{ say('lapsed.lead') }}</p>
      <label>{{ say('login.name') }}<el-input :model-value="session.login" name="lapsed-name" autocomplete="username" readonly /></label>
      <label
        >{{ say('login.password') }}<el-input v-model="password" name="lapsed-password" type="password" autocomplete="current-password"
      /></label>
      <label v-if="asksCode">{{ say('login.code') }}<el-input v-model="code" name="lapsed-code" autocomplete="one-time-code" /></label>
      <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
      <div class="row">
        <button class="main-action" type="submit" :disabled="busy || !password">{{ say('lapsed.go') }}</button><a
          class="quiet-action"
          href="/login"
          >{{ say('lapsed.other') }}</a
        >
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
label {
  display: grid;
  gap: 4px;
}
.bad {
  color: var(--brick);
}
</style>
