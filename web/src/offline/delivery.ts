/** Sending what waits: one after the other in its order, once the server can be reached; nothing is dropped before it is kept there. */
import { ref } from 'vue'
import { freshCsrf, got, http, Refused } from '../api/client'
import type { NextDay, Visit } from '../api/schemas'
import { contentOf, putToWait, refuse, sent, waiting } from './vault'
import type { WaitingKind, WaitingRow } from './vault'

export interface Undelivered {
  id: string
  kind: WaitingKind
  client: string
  refused: string
}
/** How the day after one of the visits was. */
interface DayAfter {
  visit: string
  told: NextDay
}
/** What waits, for whoever shows it. */
export const undelivered = ref<Undelivered[]>([])
export const reachable = ref(true)

async function count(): Promise<void> {
  undelivered.value = (await waiting()).map(({ id, kind, client, refused }) => ({ id, kind, client, refused }))
}

let underWay: Promise<void> | undefined
/** One delivery at a time; whoever asks meanwhile waits for the same. */
export function deliver(): Promise<void> {
  underWay ??= everything().finally(() => (underWay = undefined))
  return underWay
}

async function everything(): Promise<void> {
  for (const row of await waiting()) {
    if (row.refused) continue
    try {
      await send(row).catch(againWithAToken(row))
      await sent(row.id)
      reachable.value = true
    } catch (error) {
      const status = error instanceof Refused ? error.status : 0
      // What the server refuses waits for a person; everything else waits for the server.
      if (status === 422 || status === 403 || status === 404) await refuse(row.id, error instanceof Refused ? error.message : '')
      else {
        reachable.value = status !== 0
        break
      }
    }
  }
  await count()
}

/** 403 may only mean that the token of the page is old. */
const againWithAToken = (row: WaitingRow) => async (error: unknown) => {
  if (!(error instanceof Refused) || error.status !== 403) throw error
  await freshCsrf()
  await send(row)
}

async function send(row: WaitingRow): Promise<void> {
  const path = { client_id: row.client }
  const content = await contentOf<never>(row)
  if (content === undefined) return // locked with a key that has gone
  const of = content as DayAfter
  if (row.kind === 'visit') await got(http.POST('/api/v1/clients/{client_id}/visits', { params: { path }, body: { visit: content } }))
  else if (row.kind === 'next_day') {
    await got(
      http.POST('/api/v1/clients/{client_id}/visits/{key}/next-day', {
        params: { path: { ...path, key: of.visit } },
        body: { next_day: of.told },
      }),
    )
  } else if (row.kind === 'home_visit') {
    await got(http.POST('/api/v1/home/{code}/visits', { params: { path: { code: row.client } }, body: { visit: content } }))
  } else if (row.kind === 'home_next_day') {
    const there = { code: row.client, key: of.visit }
    await got(http.POST('/api/v1/home/{code}/visits/{key}/next-day', { params: { path: there }, body: { next_day: of.told } }))
  } else await tellStopSign(row.client, content)
}

/** On top of whatever the client is by now: a stop sign is only ever added here. */
export async function tellStopSign(client: string, sign: string): Promise<void> {
  const path = { client_id: client }
  const view = await got(http.GET('/api/v1/clients/{client_id}', { params: { path } }))
  const signs = view.case.stop_signs
  const present = [...new Set([...(signs?.asked_on === view.case.as_of ? (signs.present ?? []) : []), sign])]
  const stop_signs = { asked_on: view.case.as_of, asked: view.screen.stop_questions, present }
  const body = { base_revision: view.revision, sections: { stop_signs }, reason: 'stop sign during a visit' }
  await got(http.PATCH('/api/v1/clients/{client_id}', { params: { path }, body }))
}

async function put(kind: WaitingKind, id: string, client: string, what: unknown): Promise<void> {
  await putToWait(kind, id, client, what)
  await count()
  await deliver()
}
export const hand = (client: string, visit: Visit): Promise<void> => put('visit', visit.id, client, visit)
export const handFromHome = (code: string, visit: Visit): Promise<void> => put('home_visit', visit.id, code, visit)
export const handNextDayFromHome = (code: string, visit: string, told: NextDay): Promise<void> =>
  put('home_next_day', `next-day:${visit}`, code, { visit, told })
export const handNextDay = (client: string, visit: string, told: NextDay): Promise<void> =>
  put('next_day', `next-day:${visit}`, client, { visit, told })
/** Kept on this device, not yet sent: what is shown as told must not be lost with the page. */
export async function keepStopSign(client: string, sign: string): Promise<void> {
  await putToWait('stop_sign', `stop:${client}:${sign}`, client, sign)
  await count()
}

/** A device whose clock was wrong: the visit is dated by the server's day and sent again. */
export async function redate(id: string, day: string): Promise<void> {
  const row = (await waiting()).find((r) => r.id === id)
  const visit = row && (await contentOf<Visit>(row))
  if (row && visit) await hand(row.client, { ...visit, on: day })
}

const AGAIN_MS = 15_000
export function keepDelivering(): void {
  void deliver().catch(() => undefined)
  window.addEventListener('online', () => void deliver().catch(() => undefined))
  setInterval(() => undelivered.value.some((u) => !u.refused) && void deliver().catch(() => undefined), AGAIN_MS)
}
