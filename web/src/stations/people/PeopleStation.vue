<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { got, http } from '../../api/client'
import type { Colleague, Role } from '../../api/schemas'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import { useSession } from '../../stores/session'

const session = useSession()
const queries = useQueryClient()
const asked = useQuery({
  queryKey: ['people'],
  queryFn: () => got(http.GET('/api/v1/people')),
  staleTime: 0,
})
const roles = computed(() => asked.data.value?.roles ?? [])
const entry = reactive({ username: '', email: '', first_name: '', last_name: '', role: 'specialist' as Role })
const ready = computed(() => entry.username.trim().length > 1 && /^[^@\s]+@[^@\s]+$/.test(entry.email))
const told = ref('')

const { busy, failed, attempt: tried } = useAttempt()
async function attempt(work: () => Promise<unknown>): Promise<void> {
  told.value = ''
  if (await tried(work)) await queries.invalidateQueries({ queryKey: ['people'] })
}
const invite = () =>
  attempt(async () => {
    await got(http.POST('/api/v1/people', { body: { ...entry } }))
    told.value = say('people.sent', { to: entry.email })
    Object.assign(entry, { username: '', email: '', first_name: '', last_name: '' })
  })
const change = (p: Colleague, body: { role?: Role; active?: boolean; forget_device?: boolean }) =>
  attempt(() =>
    got(http.PATCH('/api/v1/people/{person_id}', { params: { path: { person_id: p.id } }, body: { forget_device: false, ...body } })),
  )
const seen = (p: Colleague): string =>
  p.invited ? say('people.invited') : p.last_seen ? say('people.seen', { day: dayShown(p.last_seen) }) : say('people.never')
</script>

<template>
  <main class="people stack">
    <h1>{{ say('people.title') }}</h1>
    <p v-if="failed" role="alert" class="bad">{{ failed }}</p>
    <p v-if="told" role="status">{{ told }}</p>
    <section v-for="p in asked.data.value?.people" :key="p.id" class="sheet row spread" :class="{ ended: !p.active }">
      <span
        ><b>{{ p.name || p.username }}</b
        ><br /><span class="soft small"
          >{{ p.username }}<template v-if="p.email"> · {{ p.email }}</template> · {{ seen(p) }}</span
        ></span
      >
      <span class="row"
        ><el-select
          :model-value="p.role"
          :disabled="busy || p.username === session.login"
          :aria-label="say('people.role')"
          class="role"
          @update:model-value="(role: Role) => change(p, { role })"
          ><el-option v-for="r in roles" :key="r" :value="r" :label="say(`role.${r}`)"
        /></el-select>
        <button
          v-if="p.second_factor"
          type="button"
          class="quiet-action"
          :disabled="busy || p.username === session.login"
          @click="change(p, { forget_device: true })"
        >
          {{ say('people.forget') }}
        </button>
        <button
          type="button"
          class="quiet-action"
          :disabled="busy || p.username === session.login"
          @click="change(p, { active: !p.active })"
        >
          {{ say(p.active ? 'people.end' : 'people.again') }}
        </button></span
      >
    </section>
    <form class="sheet stack" @submit.prevent="invite">
      <h2>{{ say('people.invite') }}</h2>
      <div class="two">
        <label>{{ say('people.first') }}<el-input v-model="entry.first_name" /></label
        ><label>{{ say('people.last') }}<el-input v-model="entry.last_name" /></label>
      </div>
      <div class="two">
        <label>{{ say('people.login') }}<el-input v-model="entry.username" name="invite-username" /></label
        ><label>{{ say('people.email') }}<el-input v-model="entry.email" name="invite-email" type="email" /></label>
      </div>
      <el-radio-group v-model="entry.role" :aria-label="say('people.role')"
        ><el-radio-button v-for="r in roles" :key="r" :value="r" :label="say(`role.${r}`)"
      /></el-radio-group>
      <p class="soft small">{{ say(`role.${entry.role}.may`) }}</p>
      <div>
        <button class="main-action" type="submit" :disabled="busy || !ready">{{ say('people.send') }}</button>
      </div>
    </form>
  </main>
</template>

<style scoped>
.people {
  padding: 0 var(--space-5);
  max-width: 900px;
  margin: 0 auto;
}
.role {
  width: 180px;
}
.ended {
  opacity: 0.75;
}
.bad {
  color: var(--brick);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-3);
}
label {
  display: grid;
  gap: 4px;
}
@media (max-width: 720px) {
  .people {
    padding: 0 var(--space-3);
  }
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
