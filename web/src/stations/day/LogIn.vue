<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { Refused } from '../../api/client'
import { say } from '../../i18n'
import { useSession } from '../../stores/session'

const session = useSession()
const route = useRoute()
const router = useRouter()
const name = ref('')
const password = ref('')
const code = ref('')
const asksCode = ref(false)
const failed = ref('')
const busy = ref(false)

async function enter(): Promise<void> {
  busy.value = true
  failed.value = ''
  try {
    asksCode.value = !(await session.enter(name.value, password.value, code.value))
    if (!asksCode.value) await router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/day')
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="door">
    <section class="sheet card">
      <img src="/mark.svg" alt="" width="64" height="64" />
      <h1>{{ say('login.title') }}</h1>
      <p class="soft">{{ say('login.lead') }}</p>
      <form class="stack" @submit.prevent="enter">
        <label>{{ say('login.name') }}<el-input v-model="name" name="username" autocomplete="username" size="large" /></label>
        <label
          >{{ say('login.password')
          }}<el-input v-model="password" name="password" type="password" autocomplete="current-password" size="large"
        /></label>
        <template v-if="asksCode"
          ><p role="status">{{ say('login.codeLead') }}</p>
          <label>{{ say('login.code') }}<el-input v-model="code" name="code" autocomplete="one-time-code" size="large" /></label
        ></template>
        <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
        <button class="main-action" type="submit" :disabled="busy || !name || !password || (asksCode && !code)">
          {{ say('login.go') }}
        </button>
        <RouterLink to="/welcome" class="quiet-action">{{ say('login.forgotten') }}</RouterLink>
      </form>
    </section>
  </main>
</template>

<style scoped>
.door {
  min-height: 92vh;
  display: grid;
  place-items: center;
}
.card {
  width: min(440px, 92vw);
  display: grid;
  gap: var(--space-3);
  padding: var(--space-6);
}
label {
  display: grid;
  gap: 4px;
}
.bad {
  color: var(--brick);
}
.main-action {
  justify-content: center;
}
</style>
