<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { Refused } from '../../api/client'
import { say } from '../../i18n'
import { useClient } from '../../stores/client'

const client = useClient()
const failed = ref('')
const blocked = computed(() => client.view!.screen.stop_signs.length > 0)
const base = computed(() => `/api/v1/clients/${client.id}/programmes/latest/hand-out`)
const ready = computed(() => !blocked.value && !!client.programme && !client.programme.violations.length && client.programme.answer.movements.length > 0)

onMounted(async () => {
  if (blocked.value) return
  try {
    await client.openProgramme()
  } catch (error) {
    failed.value = error instanceof Refused ? error.message : say('app.failed')
  }
})
</script>

<template>
  <div class="papers">
    <section class="sheet stack">
      <h2>{{ say('papers.title') }}</h2><p class="soft">{{ say('papers.lead') }}</p>
      <p v-if="blocked" role="alert">{{ say('programme.blocked') }}</p><p v-else-if="failed" role="alert">{{ failed }}</p>
      <p v-for="v in client.programme?.violations" :key="v.ref + v.side" role="alert" class="bad">{{ say('programme.broken') }}: {{ v.ref }} – {{ v.why }}</p>
      <div class="row"><a v-if="ready" class="main-action" :href="`${base}.pdf`" target="_blank" rel="noopener">{{ say('papers.open') }}</a>
        <RouterLink v-else :to="`/client/${client.id}/${blocked ? 'story' : 'programme'}`" class="main-action">{{ blocked ? say('station.story') : say('papers.needs') }}</RouterLink></div>
      <p v-for="f in client.view!.fits" :key="f.what">{{ f.says }}</p><p v-for="r in client.view!.refused" :key="r.what" class="bad">{{ r.what }}: {{ r.reason }}</p>
    </section>
    <iframe v-if="ready" :src="base" :title="say('papers.title')" class="page" />
  </div>
</template>

<style scoped>
.papers { display: grid; grid-template-columns: 360px 1fr; gap: var(--space-4); align-items: start; } .page { width: 100%; height: 74vh; border: 1px solid var(--line); border-radius: var(--round); background: #fff; } .bad { color: var(--brick); }
</style>
