import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { got, http, Refused } from '../api/client'
import type { Programme, Version, Week, WhatIf } from '../api/types'
import { useClient } from './client'

export interface Edit { kind: 'order' | 'swap' | 'dose' | 'remove' | 'add' | 'lock'; ref?: string; into?: string; refs?: string[]; repetitions?: number; sets?: number; hold_s?: number }
export interface SwapChoice { ref: string; score: number; why: string; title: string }

/** The newest programme of the client that is open, and every way to change it. */
export const useProgramme = defineStore('programme', () => {
  const client = useClient()
  const kept = ref<Programme>()
  const owner = ref('')
  const week = ref<Week>()
  const current = computed(() => (owner.value === client.id ? kept.value : undefined))
  const params = computed(() => ({ path: { client_id: client.id } }))

  function take(next: Programme | undefined): void {
    kept.value = next
    owner.value = client.id
    week.value = undefined
  }
  async function build(context: string, minutes: number, locked: string[], barred: string[]): Promise<void> {
    take(await got<Programme>(http.POST('/api/v1/clients/{client_id}/programmes', { params: params.value, body: { context, minutes, barred, locked } })))
    await client.refresh()
  }
  async function open(): Promise<void> {
    try {
      take(await got<Programme>(http.GET('/api/v1/clients/{client_id}/programmes/latest', { params: params.value })))
    } catch (error) {
      take(undefined)
      if (!(error instanceof Refused && error.status === 404)) throw error
    }
  }
  /** Whoever changed the programme elsewhere wins; the newest version is fetched and the refusal passed on. */
  async function changing(call: () => Promise<Programme>): Promise<void> {
    try {
      take(await call())
    } catch (error) {
      if (error instanceof Refused && error.title === 'Changed in between') await open()
      throw error
    }
  }
  const base = (): number => current.value!.number
  async function edit(change: Edit): Promise<void> {
    const body = { ref: '', into: '', refs: [], repetitions: 0, sets: 0, hold_s: 0, ...change, base: base() }
    await changing(() => got<Programme>(http.POST('/api/v1/clients/{client_id}/programmes/latest/edit', { params: params.value, body })))
  }
  async function undo(): Promise<void> {
    await changing(() => got<Programme>(http.POST('/api/v1/clients/{client_id}/programmes/latest/undo', { params: params.value, body: { base: base() } })))
  }
  async function redo(): Promise<void> {
    await changing(() => got<Programme>(http.POST('/api/v1/clients/{client_id}/programmes/latest/redo', { params: params.value, body: { base: base() } })))
  }
  async function swapChoices(of: string): Promise<SwapChoice[]> {
    const [family_id, step_id] = of.split('/')
    return (await got<{ swaps: SwapChoice[] }>(http.GET('/api/v1/clients/{client_id}/programmes/latest/swaps/{family_id}/{step_id}', { params: { path: { client_id: client.id, family_id, step_id } } }))).swaps
  }
  async function versions(): Promise<Version[]> {
    return (await got<{ versions: Version[] }>(http.GET('/api/v1/clients/{client_id}/programmes', { params: params.value }))).versions
  }
  async function whatIf(): Promise<WhatIf[]> {
    return (await got<{ answers: WhatIf[] }>(http.GET('/api/v1/clients/{client_id}/programmes/latest/what-if', { params: params.value }))).answers
  }
  async function askWeek(days?: number): Promise<void> {
    week.value = await got<Week>(http.GET('/api/v1/clients/{client_id}/programmes/latest/week', { params: { ...params.value, query: days ? { days } : {} } }))
  }
  async function progress(): Promise<number> {
    return (await got<{ share: number }>(http.GET('/api/v1/clients/{client_id}/progress', { params: params.value }))).share
  }
  return { current, week, build, open, edit, undo, redo, swapChoices, versions, whatIf, askWeek, progress }
})
