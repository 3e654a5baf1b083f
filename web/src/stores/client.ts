import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { got, http, Refused } from '../api/client'
import type { ClientView, DueTest, HistoryEntry, LimitEffects, Movie, Room, RoomFits, SchoolQuestion, Stop, Tried, Values, Verdict } from '../api/types'

/** The client that is open, with everything the stations show of it. */
export const useClient = defineStore('client', () => {
  const view = ref<ClientView>()
  const verdicts = ref<Verdict[]>()
  const due = ref<DueTest[]>()
  const stale = ref(false)
  const effects = ref<LimitEffects>()
  const changedElsewhere = ref(false)
  /** The last question whether another device changed this client went unanswered: a stop sign could be missing here. */
  const outOfReach = ref(false)
  const id = computed(() => view.value?.id ?? '')
  const path = computed(() => ({ path: { client_id: id.value } }))

  function take(next: ClientView): void {
    view.value = next
    verdicts.value = undefined
    due.value = undefined
    effects.value = undefined
  }
  async function open(clientId: string): Promise<void> {
    if (id.value === clientId) return
    view.value = undefined
    take(await got<ClientView>(http.GET('/api/v1/clients/{client_id}', { params: { path: { client_id: clientId } } })))
  }
  async function refresh(): Promise<void> {
    take(await got<ClientView>(http.GET('/api/v1/clients/{client_id}', { params: path.value })))
  }
  async function keep(sections: Record<string, unknown>, reason: string): Promise<void> {
    stale.value = false
    try {
      take(await got<ClientView>(http.PATCH('/api/v1/clients/{client_id}', { params: path.value, body: { base_revision: view.value!.revision, sections, reason } })))
    } catch (error) {
      if (error instanceof Refused && error.status === 409) {
        stale.value = true
        await refresh()
      }
      throw error
    }
  }
  async function addTest(result: Record<string, unknown>): Promise<void> {
    take(await got<ClientView>(http.POST('/api/v1/clients/{client_id}/tests', { params: path.value, body: { base_revision: view.value!.revision, result } })))
  }
  /** Another device may have changed this client: fetch it when the revision moved. Returns whether it did. */
  async function listen(): Promise<boolean> {
    if (!view.value) return false
    const pulse = await got<{ revision: number; stop_signs: string[] }>(http.GET('/api/v1/clients/{client_id}/pulse', { params: path.value }))
    const known = view.value.screen.stop_signs.map((s) => s.id).sort().join()
    if (pulse.revision === view.value.revision && [...pulse.stop_signs].sort().join() === known) return false
    await refresh()
    changedElsewhere.value = true
    return true
  }
  async function askEffects(): Promise<void> {
    if (!effects.value) effects.value = await got<LimitEffects>(http.GET('/api/v1/clients/{client_id}/limits/effects', { params: path.value }))
  }
  async function history(): Promise<HistoryEntry[]> {
    return (await got<{ entries: HistoryEntry[] }>(http.GET('/api/v1/clients/{client_id}/history', { params: path.value }))).entries
  }
  /** Add one entry to a list of the case. */
  async function add(section: 'reviews' | 'clinician_words' | 'own_limits', entry: Record<string, unknown>, reason: string): Promise<void> {
    await keep({ [section]: [...view.value!.case[section], entry] }, reason)
  }
  async function judge(): Promise<void> {
    if (!verdicts.value) verdicts.value = (await got<{ verdicts: Verdict[] }>(http.GET('/api/v1/clients/{client_id}/verdicts', { params: path.value }))).verdicts
  }
  async function askDue(): Promise<void> {
    if (!due.value) due.value = (await got<{ tests: DueTest[] }>(http.GET('/api/v1/clients/{client_id}/next-tests', { params: path.value }))).tests
  }
  async function tryStep(family: string, step: string, side: string, context: 'visit' | 'home', values: Values, quick = false): Promise<Tried> {
    return got<Tried>(http.POST('/api/v1/clients/{client_id}/try/{family_id}/{step_id}', { params: { path: { client_id: id.value, family_id: family, step_id: step } }, body: { side, context, values, quick } }))
  }
  async function along(family: string, step: string, side: string, context: 'visit' | 'home', values: Values, parameter: string, at: number[], quick: boolean): Promise<Stop[]> {
    return (await got<{ stops: Stop[] }>(http.POST('/api/v1/clients/{client_id}/along/{family_id}/{step_id}', { params: { path: { client_id: id.value, family_id: family, step_id: step } }, body: { side, context, values, parameter, at, quick } }))).stops
  }
  async function movie(family: string, step: string, side: string, values: Values): Promise<Movie> {
    return got<Movie>(http.POST('/api/v1/clients/{client_id}/movie/{family_id}/{step_id}', { params: { path: { client_id: id.value, family_id: family, step_id: step } }, body: { side, context: 'visit', values } }))
  }
  async function schools(): Promise<SchoolQuestion[]> {
    return (await got<{ questions: SchoolQuestion[] }>(http.GET('/api/v1/clients/{client_id}/schools', { params: path.value }))).questions
  }
  async function fitsIn(room: Room): Promise<RoomFits> {
    return got<RoomFits>(http.POST('/api/v1/clients/{client_id}/fits', { params: path.value, body: { room: room as unknown as Record<string, unknown> } }))
  }
  return { view, verdicts, due, stale, effects, changedElsewhere, outOfReach, id, listen, askEffects, history, add, open, refresh, keep, addTest, judge, askDue, tryStep, along, movie, schools, fitsIn }
})

/** Address of a step's picture for this client. */
export function figureAddress(clientId: string, ref: string, side: string, values: Values, revision = 0): string {
  const pairs = Object.entries(values).map(([k, v]) => `${k}:${v}`).join(',')
  return `/api/v1/clients/${clientId}/figure/${ref}?side=${side}&values=${encodeURIComponent(pairs)}&r=${revision}`
}
