import { useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { got, http, Refused } from '../../api/client'
import type { RunSheet, Visit } from '../../api/schemas'
import { say } from '../../i18n'
import { deliver, hand, keepStopSign, reachable, tellStopSign } from '../../offline/delivery'
import { newId } from '../../offline/here'
import { drop, keep, kept } from '../../offline/vault'
import { useClient } from '../../stores/client'
import { asVisit, begin, finish, hasEnded, stopAll, undoable } from './run'
import type { Run } from './run'

export type Opened = 'opening' | 'ask' | 'closed' | 'no_copy' | 'too_old' | 'ready'
const LISTEN_MS = 3000
const HOUR_MS = 3_600_000

/** A copy may be run for so many hours; one from the future was made by a clock that cannot be believed. */
export const isFresh = (savedMs: number, hours: number, nowMs: number): boolean =>
  nowMs - savedMs <= hours * HOUR_MS && savedMs - nowMs <= HOUR_MS

/** One session of one client on this device: fetched while there is a network, run without one, handed over when there is one again. */
export function useVisit(clientId: string, by: () => Visit['by']) {
  const client = useClient()
  const state = ref<Opened>('opening')
  const why = ref('')
  const offline = ref(false)
  const full = ref(false)
  /** A stop sign that could neither be kept here nor told: a person has to tell it. */
  const untold = ref(false)
  /** Between the end and the moment at which nothing can be lost any more: nobody is told yet that it is kept or sent. */
  const handing = ref(false)
  const sheet = shallowRef<RunSheet>()
  const log = shallowRef<ReturnType<typeof undoable>>()
  const run = shallowRef<Run>()
  const resumed = ref(false)

  async function open(session = ''): Promise<void> {
    state.value = 'opening'
    why.value = ''
    await handOverWhatEnded()
    try {
      await client.open(clientId)
      await client.refresh()
      offline.value = false
      const standing = client.view?.screen.stop_signs ?? []
      if (standing.some((s) => s.missing)) return void (state.value = 'ask')
      if (standing.length) return close(standing.map((s) => `${s.title}: ${s.next_step}`).join(' '))
      const answer = await got(
        http.GET('/api/v1/clients/{client_id}/run-sheet', { params: { path: { client_id: clientId }, query: { session } } }),
      )
      await kept_(`sheet:${clientId}`, answer)
      await take(answer)
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      if (error.status === 0) await fromHere()
      else close(error.status === 404 ? say('programme.none') : error.message)
    }
  }
  async function fromHere(): Promise<void> {
    offline.value = true
    const copy = await kept<RunSheet>(`sheet:${clientId}`)
    if (!copy) state.value = 'no_copy'
    else if (!isFresh(copy.savedMs, copy.value.copy_hours, Date.now())) state.value = 'too_old'
    else await take(copy.value)
  }
  function close(reason: string): void {
    why.value = reason
    state.value = 'closed'
  }
  async function take(got_: RunSheet): Promise<void> {
    sheet.value = got_
    const left = await kept<Run>(`run:${clientId}`)
    const mine = left && left.value.session === got_.sheet.session && left.value.movements.every((m) => got_.sheet.movements[m.of])
    resumed.value = Boolean(mine && left.value.phase !== 'before')
    set(mine ? left.value : begin(got_.sheet, newId(), new Date(), by()))
    state.value = 'ready'
  }
  function set(first: Run): void {
    log.value = undoable(first)
    run.value = first
  }
  function anew(): void {
    if (sheet.value) set(begin(sheet.value.sheet, newId(), new Date(), by()))
    resumed.value = false
    void drop(`run:${clientId}`)
  }
  /** Kept as far as this device has room; a full one is said, and the visit goes on. */
  async function kept_(id: string, value: unknown): Promise<void> {
    try {
      await keep(id, value)
      full.value = false
    } catch {
      full.value = true
    }
  }
  function tap(change: (run: Run) => Run): void {
    log.value?.tap(change)
    show()
  }
  function undo(): void {
    log.value?.undo()
    show()
  }
  function show(): void {
    run.value = log.value?.run
    if (run.value && run.value.phase !== 'before') void kept_(`run:${clientId}`, run.value)
  }
  async function handOver(): Promise<void> {
    if (!sheet.value || !run.value) return
    handing.value = true
    await handedOver(sheet.value, run.value).finally(() => (handing.value = false))
  }
  async function handedOver(of: RunSheet, run: Run): Promise<void> {
    const visit = asVisit(of.sheet, run)
    if (visit.movements?.length) await handed(visit)
    await drop(`run:${clientId}`)
    if (reachable.value) await client.refresh().catch(() => undefined)
  }
  /** A device without room hands the visit over directly. */
  async function handed(visit: Visit): Promise<void> {
    try {
      await hand(clientId, visit)
    } catch {
      full.value = true
      await got(http.POST('/api/v1/clients/{client_id}/visits', { params: { path: { client_id: clientId } }, body: { visit } }))
    }
  }
  async function end(): Promise<void> {
    handing.value = true
    tap((r) => finish(r, Date.now()))
    await handOver()
  }
  /**
   * A stop sign at any moment: kept here before the session is shown as ended, told at once or as soon as somebody hears it;
   * what was done is kept.  A device without room tells it directly.
   */
  async function stop(sign: string): Promise<void> {
    const isKept = await keepStopSign(clientId, sign).then(
      () => true,
      () => false,
    )
    handing.value = true
    tap((r) => stopAll(r, Date.now()))
    if (isKept) await deliver()
    else {
      full.value = true
      await tellStopSign(clientId, sign).catch(() => (untold.value = true))
    }
    await handOver()
  }
  /** A page that died between the end and the handing over left a visit that nobody would send. */
  async function handOverWhatEnded(): Promise<void> {
    const left = await kept<Run>(`run:${clientId}`)
    const of = await kept<RunSheet>(`sheet:${clientId}`)
    if (!left || !of || !hasEnded(left.value) || left.value.session !== of.value.sheet.session) return
    const visit = asVisit(of.value.sheet, left.value)
    if (visit.movements?.length) await hand(clientId, visit)
    await drop(`run:${clientId}`)
  }
  useIntervalFn(async () => {
    if (state.value !== 'ready' || !run.value || hasEnded(run.value)) return
    try {
      const pulse = await got(http.GET('/api/v1/clients/{client_id}/pulse', { params: { path: { client_id: clientId } } }))
      offline.value = false
      // One that was told on another device closes this one as soon as it is heard of.
      if (pulse.stop_signs.some((s) => s !== 'not_asked')) {
        handing.value = true
        tap((r) => stopAll(r, Date.now()))
        await handOver()
      }
    } catch (error) {
      if (error instanceof Refused && error.status === 0) offline.value = true
    }
  }, LISTEN_MS)

  return {
    state,
    why,
    offline,
    full,
    untold,
    handing,
    sheet,
    run,
    resumed,
    canUndo: computed(() => Boolean(run.value && log.value?.canUndo)),
    open,
    anew,
    tap,
    undo,
    end,
    stop,
  }
}
