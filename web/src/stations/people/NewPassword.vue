<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { inWords } from '../../stores/answers'

/** Behind the link of a mail: choose a password. Without a link: ask for one. */
const route = useRoute()
const link = computed(() => ({ who: String(route.query.who ?? ''), token: String(route.query.token ?? '') }))
const invited = computed(() => !!link.value.who && !!link.value.token)
const username = ref('')
const password = ref('')
const failed = ref('')
const done = ref(false)

async function go(): Promise<void> {
  failed.value = ''
  try {
    if (invited.value) await got(http.POST('/api/v1/password/new', { body: { ...link.value, password: password.value } }))
    else await got(http.POST('/api/v1/password/forgotten', { body: { username: username.value } }))
    done.value = true
  } catch (error) {
    failed.value = inWords(error)
  }
}
</script>

<template>
  <main class="door">
    <section class="sheet card">
      <h1>{{ say(invited ? 'welcome.title' : 'forgotten.title') }}</h1>
      <template v-if="done"
        ><p role="status">{{ say(invited ? 'welcome.done' : 'forgotten.done') }}</p>
        <RouterLink to="/login" class="main-action">{{ say('login.go') }}</RouterLink></template
      >
      <form v-else class="stack" @submit.prevent="go">
        <p class="soft">{{ say(invited ? 'welcome.lead' : 'forgotten.lead') }}</p>
        <label v-if="invited"
          >{{ say('login.password')
          }}<el-input v-model="password" name="new-password" type="password" autocomplete="new-password" size="large" show-password
        /></label>
        <label v-else>{{ say('login.name') }}<el-input v-model="username" name="username" autocomplete="username" size="large" /></label>
        <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
        <button class="main-action" type="submit" :disabled="invited ? password.length < 10 : !username">
          {{ say(invited ? 'welcome.go' : 'forgotten.go') }}
        </button>
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
