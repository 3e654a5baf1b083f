import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { got, http, Refused } from '../api/client'
import type { ClientView, DueTest, HistoryEntry, LimitEffects, Programme, Tried, Values, Verdict } from '../api/types'

/** The client that is open, with everything the stations show of it. */
export const useClient = defineStore('client', () => {
  const view = ref<ClientView>()
  const verdicts = ref<Verdict[]>()
  const due = ref<DueTest[]>()
  const programme = ref<Programme>()
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
    programme.value = undefined
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
  async function tryStep(family: string, step: string, side: string, context: 'visit' | 'home', values: Values): Promise<Tried> {
    return got<Tried>(http.POST('/api/v1/clients/{client_id}/try/{family_id}/{step_id}', { params: { path: { client_id: id.value, family_id: family, step_id: step } }, body: { side, context, values } }))
  }
  async function build(context: string, minutes: number, barred: string[] = []): Promise<void> {
    programme.value = await got<Programme>(http.POST('/api/v1/clients/{client_id}/programmes', { params: path.value, body: { context, minutes, barred, locked: [] } }))
    await refresh()
  }
  async function openProgramme(): Promise<void> {
    try {
      programme.value = await got<Programme>(http.GET('/api/v1/clients/{client_id}/programmes/latest', { params: path.value }))
    } catch (error) {
      programme.value = undefined
      if (!(error instanceof Refused && error.status === 404)) throw error
    }
  }
  async function swapChoices(ref: string): Promise<{ ref: string; score: number; why: string; title: string }[]> {
    const [family_id, step_id] = ref.split('/')
    return (await got<{ swaps: { ref: string; score: number; why: string; title: string }[] }>(http.GET('/api/v1/clients/{client_id}/programmes/latest/swaps/{family_id}/{step_id}', { params: { path: { client_id: id.value, family_id, step_id } } }))).swaps
  }
  async function swap(out: string, into: string): Promise<void> {
    programme.value = await got<Programme>(http.POST('/api/v1/clients/{client_id}/programmes/latest/swap', { params: path.value, body: { out, into } }))
  }
  return { view, verdicts, due, programme, stale, effects, changedElsewhere, outOfReach, id, listen, askEffects, history, add, open, refresh, keep, addTest, judge, askDue, tryStep, build, openProgramme, swapChoices, swap }
})

/** Address of a step's picture for this client. */
export function figureAddress(clientId: string, ref: string, side: string, values: Values, revision = 0): string {
  const pairs = Object.entries(values).map(([k, v]) => `${k}:${v}`).join(',')
  return `/api/v1/clients/${clientId}/figure/${ref}?side=${side}&values=${encodeURIComponent(pairs)}&r=${revision}`
}
