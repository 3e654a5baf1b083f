<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { say } from '../../i18n'
import LanguageChoice from '../../parts/LanguageChoice.vue'

/** Where the code from the paper is typed. */
const router = useRouter()
const typed = ref('')
const CODE = 16
const code = computed(() => typed.value.toLowerCase().replace(/[^a-z0-9]/g, ''))
const open = () => router.push(`/home/${code.value.replace(/(.{4})(?=.)/g, '$1-')}`)
</script>

<template>
  <main class="door stack">
    <h1>{{ say('home.doorTitle') }}</h1>
    <p class="large">{{ say('home.doorLead') }}</p>
    <form class="stack" @submit.prevent="open">
      <label class="stack"
        >{{ say('home.doorCode') }}<input v-model="typed" name="home-code" autocomplete="off" autocapitalize="none" spellcheck="false"
      /></label>
      <button type="submit" class="main-action tall" :disabled="code.length !== CODE">{{ say('home.doorOpen') }}</button>
    </form>
    <LanguageChoice />
  </main>
</template>

<style scoped>
.door {
  max-width: 560px;
  margin: 0 auto;
  padding: var(--space-4);
  font-size: 19px;
}
h1 {
  font-size: 30px;
}
.large {
  font-size: 21px;
}
input {
  font-size: 26px;
  letter-spacing: 0.06em;
  min-height: 60px;
  padding: 0 14px;
  border: 1.5px solid var(--el-border-color);
  border-radius: var(--round-small);
  background: var(--paper);
  color: var(--ink);
  width: 100%;
}
.tall {
  min-height: 64px;
  font-size: 21px;
}
</style>
