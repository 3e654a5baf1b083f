<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core'
import { defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { say } from './i18n'
import LanguageChoice from './parts/LanguageChoice.vue'
import { useSession } from './stores/session'

/** Dialogs come when they are asked for: no page waits for them. */
const ComeBack = defineAsyncComponent(() => import('./parts/ComeBack.vue'))
const KeysHelp = defineAsyncComponent(() => import('./parts/KeysHelp.vue'))
const session = useSession()
const router = useRouter()
const route = useRoute()
const help = ref(false)
const asked = reactive({ help: false, back: false })
watch(help, () => (asked.help = true))
watch(
  () => session.lapsed,
  () => (asked.back = true),
)
/** Something waits to be sent, so that nobody is logged out. */
const staying = ref(false)
const KEYS = {
  d: 'day',
  r: 'rulebook',
  s: 'story',
  m: 'measure',
  l: 'limits',
  v: 'movements',
  o: 'room',
  p: 'programme',
  i: 'visit',
  c: 'course',
  a: 'papers',
} as const

function typing(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement
  return event.ctrlKey || event.metaKey || event.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable
}
onKeyStroke(Object.keys(KEYS), (event) => {
  // While a session is run the keys belong to its repetitions.
  if (typing(event) || !session.user || route.name === 'visit') return
  const name = KEYS[event.key as keyof typeof KEYS]
  if (name === 'day') void router.push('/day')
  else if (name === 'rulebook') void router.push('/rules')
  else if (route.params.id) void router.push(`/client/${String(route.params.id)}/${name}`)
})
onKeyStroke('?', (event) => {
  if (!typing(event)) help.value = true
})
onKeyStroke('/', (event) => {
  if (typing(event)) return
  event.preventDefault()
  void router.push({ path: '/day', query: { find: '1' } })
})
async function leave(): Promise<void> {
  staying.value = !(await session.logout())
  if (!staying.value) await router.push('/login')
}
</script>

<template>
  <header v-if="session.user && route.name !== 'visit'" class="top">
    <RouterLink to="/day" class="brand"
      ><img src="/mark.svg" alt="" width="34" height="34" /><span>{{ say('app.name') }}</span></RouterLink
    >
    <span class="soft small house">{{ session.organisation }}</span>
    <RouterLink v-if="session.may('manage_people')" to="/people" class="quiet-action">{{ say('people.title') }}</RouterLink>
    <RouterLink v-if="session.may('practise')" to="/practice" class="quiet-action">{{ say('practice.title') }}</RouterLink>
    <RouterLink to="/rules" class="quiet-action">{{ say('station.rulebook') }}</RouterLink>
    <button class="quiet-action keys-button" type="button" @click="help = true">{{ say('app.help') }} ?</button>
    <RouterLink to="/own" class="quiet-action">{{ session.user }}</RouterLink>
    <button class="quiet-action" type="button" @click="leave">{{ say('app.logout') }}</button>
  </header>
  <p v-if="staying" class="staying" role="alert">
    {{ say('visit.staying') }} <button type="button" class="quiet-action" @click="staying = false">{{ say('app.close') }}</button>
  </p>
  <RouterView />
  <section>
    <ComeBack v-if="asked.back" />
    <KeysHelp v-if="asked.help" v-model="help" :keys="KEYS" />
  </section>
  <footer v-if="route.name !== 'visit' && route.name !== 'home'" class="foot small soft">
    <span v-if="session.user">{{ say('app.support') }} · </span><LanguageChoice />
  </footer>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  padding: 8px var(--space-5);
}
.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  font-family: var(--serif);
  font-weight: 600;
  font-size: 22px;
  color: var(--ink);
  text-decoration: none;
  min-height: 44px;
}
.staying {
  margin: 0 var(--space-5) var(--space-3);
  padding: 8px 14px;
  background: var(--straw-wash);
  border-radius: var(--round-small);
}
.house {
  margin-left: auto;
  margin-right: 6px;
}
.foot {
  padding: var(--space-4) var(--space-5);
  text-align: center;
}
@media (max-width: 720px) {
  .keys-button {
    display: none;
  }
  .top {
    flex-wrap: wrap;
    padding: 8px var(--space-3);
  }
  .house {
    flex-basis: 100%;
    order: 9;
    margin: 0;
  }
  .brand {
    margin-right: auto;
  }
}
</style>
