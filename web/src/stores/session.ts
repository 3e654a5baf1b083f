import { useQueryClient } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { got, http, useCsrf } from '../api/client'
import type { Reference } from '../api/types'

interface Session { user: string; organisation: string; csrf_token: string }

export const useSession = defineStore('session', () => {
  const queries = useQueryClient()
  const user = ref('')
  const organisation = ref('')
  const known = ref(false)
  const reference = ref<Reference>()

  function take(s: Session): void {
    user.value = s.user
    organisation.value = s.organisation
    known.value = true
    useCsrf(s.csrf_token)
  }
  async function look(): Promise<void> {
    if (!known.value) take(await got<Session>(http.GET('/api/v1/session')))
    if (user.value && !reference.value) reference.value = await got<Reference>(http.GET('/api/v1/reference'))
  }
  async function login(username: string, password: string): Promise<void> {
    take(await got<Session>(http.POST('/api/v1/login', { body: { username, password } })))
    await look()
  }
  async function logout(): Promise<void> {
    take(await got<Session>(http.POST('/api/v1/logout')))
    reference.value = undefined
    queries.clear()
  }
  return { user, organisation, reference, look, login, logout }
})
