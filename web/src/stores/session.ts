import { useQueryClient } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { got, http, useCsrf, whenSessionEnds } from '../api/client'
import type { Reference } from '../api/types'

interface Session {
  needs_code?: boolean
  user: string
  login: string
  role: string
  may: string[]
  organisation: string
  csrf_token: string
}

/** What can be done, as the server names it. */
export type Action =
  | 'see_clients'
  | 'make_stricter'
  | 'screen'
  | 'test'
  | 'build'
  | 'print'
  | 'override'
  | 'lift_forbidden'
  | 'confirm'
  | 'read_rules'
  | 'try_rules'
  | 'sign_rules'
  | 'write_texts'
  | 'see_audit'
  | 'manage_people'

export const useSession = defineStore('session', () => {
  const queries = useQueryClient()
  const user = ref('')
  const organisation = ref('')
  const login_ = ref('')
  const role = ref('')
  const allowed = ref<string[]>([])
  const known = ref(false)
  const reference = ref<Reference>()

  function take(s: Session): void {
    user.value = s.user
    organisation.value = s.organisation
    login_.value = s.login
    role.value = s.role
    allowed.value = s.may
    known.value = true
    useCsrf(s.csrf_token)
  }
  async function look(): Promise<void> {
    if (!known.value) take(await got<Session>(http.GET('/api/v1/session')))
    if (user.value && !reference.value) reference.value = await got<Reference>(http.GET('/api/v1/reference'))
  }
  /** Whether one is in; false where the code of the second factor is asked for. */
  async function login(username: string, password: string, code: string): Promise<boolean> {
    const s = await got<Session>(http.POST('/api/v1/login', { body: { username, password, code } }))
    if (s.needs_code) return false
    take(s)
    await look()
    return true
  }
  /** The session ended while somebody was logged in here: the page stays and asks for the password. */
  const lapsed = ref(false)
  whenSessionEnds(() => {
    if (user.value) lapsed.value = true
  })
  async function comeBack(password: string, code: string): Promise<boolean> {
    useCsrf((await got<Session>(http.GET('/api/v1/session'))).csrf_token)
    const s = await got<Session>(http.POST('/api/v1/login', { body: { username: login_.value, password, code } }))
    if (s.needs_code) return false
    take(s)
    lapsed.value = false
    await queries.invalidateQueries()
    return true
  }
  async function logout(): Promise<void> {
    take(await got<Session>(http.POST('/api/v1/logout')))
    reference.value = undefined
    queries.clear()
  }
  /** Whether who is logged in may do it; the server asks again. */
  const may = (action: Action): boolean => allowed.value.includes(action)
  return { user, login: login_, role, may, organisation, reference, look, enter: login, lapsed, comeBack, logout }
})
