import { useQueryClient } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { ref, watch } from 'vue'
import { got, http, Refused, sessionBegins, useCsrf, whenSessionEnds } from '../api/client'
import type { Action, Reference, Role, Session } from '../api/schemas'
import { deliver, undelivered } from '../offline/delivery'
import { language } from '../i18n'
import { forgetEverything, keep, kept } from '../offline/vault'

export const useSession = defineStore('session', () => {
  const queries = useQueryClient()
  const user = ref('')
  const organisation = ref('')
  const login_ = ref('')
  const role = ref<Role | null>(null)
  const allowed = ref<Action[]>([])
  const known = ref(false)
  const reference = ref<Reference>()

  function take(s: Session): void {
    user.value = s.user
    organisation.value = s.organisation
    login_.value = s.login
    role.value = s.role ?? null
    allowed.value = s.may
    known.value = true
    useCsrf(s.csrf_token)
    sessionBegins()
    if (s.user) void keep('session', { ...s, csrf_token: '' }).catch(() => undefined)
  }
  /** Who is logged in; without a network, whoever was logged in on this device, for the visits that are kept here. */
  async function look(): Promise<void> {
    if (!known.value) {
      try {
        take(await got(http.GET('/api/v1/session')))
      } catch (error) {
        const before = error instanceof Refused && error.status === 0 ? await kept<Session>('session') : undefined
        if (!before) throw error
        user.value = before.value.user
        role.value = before.value.role ?? null
        allowed.value = before.value.may
        return
      }
    }
  }
  let asked: Promise<void> | undefined
  /** The rule-book, the library and the forms, for pages that speak of them; asked once. Without a network pages do without. */
  async function readUp(): Promise<void> {
    if (reference.value) return
    asked ??= got(http.GET('/api/v1/reference'))
      .then((found) => void (reference.value = found))
      .finally(() => (asked = undefined))
    try {
      await asked
    } catch (error) {
      if (!(error instanceof Refused) || error.status !== 0) throw error
    }
  }
  /** In the language that was chosen since; until it is there, or without a network, the page keeps what it has. */
  async function readAnew(): Promise<void> {
    const wanted = language()
    if (!reference.value) return
    const found = await got(http.GET('/api/v1/reference')).catch(() => undefined)
    if (found && language() === wanted) reference.value = found
  }
  watch(language, () => void readAnew())
  /** Whether one is in; false where the code of the second factor is asked for. */
  async function login(username: string, password: string, code: string): Promise<boolean> {
    const s = await got(http.POST('/api/v1/login', { body: { username, password, code } }))
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
    useCsrf((await got(http.GET('/api/v1/session'))).csrf_token)
    const s = await got(http.POST('/api/v1/login', { body: { username: login_.value, password, code } }))
    if (s.needs_code) return false
    take(s)
    lapsed.value = false
    await queries.invalidateQueries()
    return true
  }
  /** Whether one is out; false where something still waits to be sent, which would go with the key. */
  async function logout(): Promise<boolean> {
    await deliver().catch(() => undefined)
    if (undelivered.value.length) return false
    take(await got(http.POST('/api/v1/logout')))
    await forgetEverything()
    reference.value = undefined
    queries.clear()
    return true
  }
  /** Whether who is logged in may do it; the server asks again. */
  const may = (action: Action): boolean => allowed.value.includes(action)
  /** What a movement is called, of 'family/step'. */
  const titleOf = (ref: string): string => reference.value?.movements.find((m) => `${m.family}/${m.step}` === ref)?.title ?? ref
  return { user, titleOf, login: login_, role, may, organisation, reference, look, readUp, enter: login, lapsed, comeBack, logout }
})
