<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { got, http } from '../../api/client'
import { say } from '../../i18n'
import { dayShown } from '../../i18n/days'
import { useAttempt } from '../../parts/attempt'
import BroughtIn from './BroughtIn.vue'

/** A client from the referrer's own server: looked for by name, then everything there is of that person. */
type There = { id: string; name: string; birth_date: string }
const there = useQuery({ queryKey: ['referrer'], queryFn: () => got(http.GET('/api/v1/referrer')) })
const name = ref('')
const found = ref<{ people: There[]; more: boolean }>()
const { busy, failed, attempt } = useAttempt()
const look = () =>
  attempt(async () => {
    found.value = undefined
    found.value = await got(http.GET('/api/v1/referrer/people', { params: { query: { name: name.value.trim() } } }))
  })
const made = ref<{ id: string; left_out: { path: string; reason: string }[] }>()
const fetchOne = (person: There) =>
  attempt(async () => {
    made.value = await got(http.POST('/api/v1/referrer/people', { body: { id: person.id } }))
  })
</script>

<template>
  <section v-if="there.data.value?.set_up" class="sheet stack" data-testid="from-referrer">
    <h2>{{ say('referrer.title') }}</h2>
    <p class="soft">{{ say('referrer.lead') }}</p>
    <form class="row" @submit.prevent="look">
      <label class="grow">{{ say('referrer.name') }}<el-input v-model="name" name="referrer-name" /></label>
      <button type="submit" class="quiet-action" :disabled="busy || name.trim().length < 2">{{ say('referrer.look') }}</button>
    </form>
    <p v-if="busy" role="status" class="soft">{{ say('app.loading') }}</p>
    <p v-if="failed" role="alert">{{ failed }}</p>
    <template v-if="found && !made">
      <p v-if="!found.people.length" role="status">{{ say('referrer.nobody') }}</p>
      <ul class="people">
        <li v-for="p in found.people" :key="p.id" class="row spread">
          <span
            ><b>{{ p.name }}</b> <span class="soft">{{ dayShown(p.birth_date) }}</span></span
          >
          <button type="button" class="quiet-action" :disabled="busy" @click="fetchOne(p)">{{ say('referrer.fetch') }}</button>
        </li>
      </ul>
      <p v-if="found.more" class="soft small">{{ say('referrer.more') }}</p>
    </template>
    <BroughtIn v-if="made" :client="made" />
  </section>
</template>

<style scoped>
.people {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.grow {
  flex: 1;
  display: grid;
  gap: 4px;
}
form {
  align-items: end;
}
</style>
