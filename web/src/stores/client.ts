import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { got, http, isChanged } from '../api/client'
import type { ClientView, Movie, Room, RoomFits, SchoolQuestion, Stop, Tried, Values } from '../api/schemas'
import { keyOfClient, useAnswer } from './answers'
import type { Subject } from './answers'

type View = ClientView
/** The client that is open, with everything the stations show of it. */
export const useClient = defineStore('client', () => {
  const queries = useQueryClient()
  const wanted = ref('')
  const shown = useQuery({
    queryKey: computed(() => keyOfClient(wanted.value)),
    queryFn: ({ queryKey }) => fetched(String(queryKey[1])),
    enabled: false, // asked by name, in `open` and `refresh`
  })
  const view = computed<View | undefined>(() => (shown.data.value?.id === wanted.value ? shown.data.value : undefined))
  const stale = ref(false)
  const changedElsewhere = ref(false)
  /** The last question whether another device changed this client went unanswered: a stop sign could be missing here. */
  const outOfReach = ref(false)
  const id = computed(() => view.value?.id ?? '')
  const path = computed(() => ({ path: { client_id: id.value } }))
  const subject = (): Subject | undefined =>
    view.value && { client: view.value.id, revision: view.value.revision, digest: view.value.digest }
  const at = (on: Subject) => ({ params: { path: { client_id: on.client } } })

  async function fetched(clientId: string): Promise<View> {
    return got(http.GET('/api/v1/clients/{client_id}', { params: { path: { client_id: clientId } } }))
  }
  /** A newer view of a client, wherever it came from; it shows only where that client is open. */
  function take(next: View): void {
    const known = queries.getQueryData<View>(keyOfClient(next.id))
    if (!known || known.revision <= next.revision) queries.setQueryData(keyOfClient(next.id), next)
  }
  async function open(clientId: string): Promise<void> {
    if (id.value === clientId) return
    // Nothing of an earlier visit is shown for a moment: the first picture of a client is a fresh one.
    queries.removeQueries({ queryKey: keyOfClient(clientId) })
    wanted.value = clientId
    stale.value = changedElsewhere.value = outOfReach.value = false
    await queries.fetchQuery({ queryKey: keyOfClient(clientId), queryFn: () => fetched(clientId), staleTime: 0 })
  }
  async function refresh(): Promise<void> {
    if (id.value) take(await fetched(id.value))
  }
  async function keep(sections: Record<string, unknown>, reason: string): Promise<void> {
    const of = view.value!
    stale.value = false
    try {
      take(
        await got(
          http.PATCH('/api/v1/clients/{client_id}', {
            params: { path: { client_id: of.id } },
            body: { base_revision: of.revision, sections, reason },
          }),
        ),
      )
    } catch (error) {
      if (isChanged(error) && id.value === of.id) {
        stale.value = true
        await refresh()
      }
      throw error
    }
  }
  async function addTest(result: Record<string, unknown>): Promise<void> {
    const of = view.value!
    take(
      await got(
        http.POST('/api/v1/clients/{client_id}/tests', {
          params: { path: { client_id: of.id } },
          body: { base_revision: of.revision, result },
        }),
      ),
    )
  }
  /** Another device may have changed this client: fetch it when the revision moved. Returns whether it did. */
  async function listen(): Promise<boolean> {
    const of = view.value
    if (!of) return false
    const pulse = await got(http.GET('/api/v1/clients/{client_id}/pulse', { params: { path: { client_id: of.id } } }))
    const known = of.screen.stop_signs
      .map((s) => s.id)
      .sort()
      .join()
    if (id.value !== of.id || (pulse.revision === of.revision && [...pulse.stop_signs].sort().join() === known)) return false
    await refresh()
    if (id.value !== of.id) return false
    changedElsewhere.value = true
    return true
  }
  const judged = useAnswer(
    'verdicts',
    subject,
    (on, signal) => got(http.GET('/api/v1/clients/{client_id}/verdicts', { ...at(on), signal })),
    refresh,
  )
  const tested = useAnswer(
    'next tests',
    subject,
    (on, signal) => got(http.GET('/api/v1/clients/{client_id}/next-tests', { ...at(on), signal })),
    refresh,
  )
  const effected = useAnswer(
    'effects',
    subject,
    (on, signal) => got(http.GET('/api/v1/clients/{client_id}/limits/effects', { ...at(on), signal })),
    refresh,
  )
  const postured = useAnswer(
    'postures',
    subject,
    (on, signal) => got(http.GET('/api/v1/clients/{client_id}/postures', { ...at(on), signal })),
    refresh,
  )
  const past = useAnswer(
    'history',
    subject,
    (on, signal) => got(http.GET('/api/v1/clients/{client_id}/history', { ...at(on), signal })),
    refresh,
  )
  /** Add one entry to a list of the case. */
  async function add(section: 'reviews' | 'clinician_words' | 'own_limits', entry: Record<string, unknown>, reason: string): Promise<void> {
    await keep({ [section]: [...view.value!.case[section], entry] }, reason)
  }
  async function tryStep(
    family: string,
    step: string,
    side: string,
    context: 'visit' | 'home',
    values: Values,
    quick = false,
  ): Promise<Tried> {
    return got(
      http.POST('/api/v1/clients/{client_id}/try/{family_id}/{step_id}', {
        params: { path: { client_id: id.value, family_id: family, step_id: step } },
        body: { side, context, values, quick },
      }),
    )
  }
  async function along(
    family: string,
    step: string,
    side: string,
    context: 'visit' | 'home',
    values: Values,
    parameter: string,
    at: number[],
    quick: boolean,
  ): Promise<Stop[]> {
    return (
      await got(
        http.POST('/api/v1/clients/{client_id}/along/{family_id}/{step_id}', {
          params: { path: { client_id: id.value, family_id: family, step_id: step } },
          body: { side, context, values, parameter, at, quick },
        }),
      )
    ).stops
  }
  async function movie(family: string, step: string, side: string, values: Values): Promise<Movie> {
    return got(
      http.POST('/api/v1/clients/{client_id}/movie/{family_id}/{step_id}', {
        params: { path: { client_id: id.value, family_id: family, step_id: step } },
        body: { side, context: 'visit', values },
      }),
    )
  }
  async function faults(family: string, step: string, side: string, values: Values): Promise<string[]> {
    return (
      await got(
        http.POST('/api/v1/clients/{client_id}/faults/{family_id}/{step_id}', {
          params: { path: { client_id: id.value, family_id: family, step_id: step } },
          body: { side, values },
        }),
      )
    ).pictures
  }
  async function schools(): Promise<SchoolQuestion[]> {
    return (await got(http.GET('/api/v1/clients/{client_id}/schools', { params: path.value }))).questions
  }
  async function fitsIn(room: Room): Promise<RoomFits> {
    return got(http.POST('/api/v1/clients/{client_id}/fits', { params: path.value, body: { room: { ...room } } }))
  }
  return {
    view,
    take,
    stale,
    changedElsewhere,
    outOfReach,
    id,
    open,
    refresh,
    keep,
    addTest,
    add,
    listen,
    subject,
    verdicts: computed(() => judged.data.value?.verdicts),
    judge: judged.want,
    judging: judged.failed,
    judgeAgain: judged.again,
    due: computed(() => tested.data.value?.tests),
    askDue: tested.want,
    dueFailed: tested.failed,
    askDueAgain: tested.again,
    effects: computed(() => effected.data.value),
    askEffects: effected.want,
    effectsFailed: effected.failed,
    askEffectsAgain: effected.again,
    postures: computed(() => postured.data.value?.postures),
    askPostures: postured.want,
    posturesFailed: postured.failed,
    askPosturesAgain: postured.again,
    history: computed(() => past.data.value?.entries),
    askHistory: past.want,
    historyFailed: past.failed,
    askHistoryAgain: past.again,
    tryStep,
    along,
    movie,
    faults,
    schools,
    fitsIn,
  }
})

/** Address of a step's picture for this client. */
export function figureAddress(clientId: string, ref: string, side: string, values: Values, revision = 0): string {
  const pairs = Object.entries(values)
    .map(([k, v]) => `${k}:${v}`)
    .join(',')
  return `/api/v1/clients/${clientId}/figure/${ref}?side=${side}&values=${encodeURIComponent(pairs)}&r=${revision}`
}
