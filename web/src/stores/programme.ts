import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { got, http, isChanged, Refused } from '../api/client'
import type { components } from '../api/schema'
import type { Programme, Version, WhatIf } from '../api/schemas'
import { inWords, keyOfClient } from './answers'
import { useClient } from './client'

type Schemas = components['schemas']

/** A hand edit; which version it is made on is added when it is sent. */
export type Edit = Pick<Schemas['Edit'], 'kind'> & Partial<Omit<Schemas['Edit'], 'kind' | 'base'>>
export interface SwapChoice {
  ref: string
  score: number
  why: string
  title: string
}

/** The newest programme of a client: kept under the client and the revision that it was checked against. */
const keyOf = (client: string, revision: number): readonly unknown[] => [...keyOfClient(client), revision, 'programme']

/** The newest programme of the client that is open, and every way to change it. */
export const useProgramme = defineStore('programme', () => {
  const client = useClient()
  const queries = useQueryClient()
  const days = ref<number>()
  const on = computed(() => client.subject())
  const kept = useQuery({
    queryKey: computed(() => keyOf(on.value?.client ?? '', on.value?.revision ?? 0)),
    queryFn: () => fetched(on.value!.client),
    enabled: false, // asked by name, in `open`
  })
  const current = computed(() => (kept.data.value && kept.data.value.client === client.id ? kept.data.value : undefined))
  /** Client and version that an edit is made on: what is on screen, wherever one has gone meanwhile. */
  const params = (of: Programme) => ({ path: { client_id: of.client } })

  async function fetched(of: string, toChange = false): Promise<Programme | null> {
    const params = { path: { client_id: of }, query: { to_change: toChange } }
    try {
      return await got(http.GET('/api/v1/clients/{client_id}/programmes/latest', { params }))
    } catch (error) {
      if (error instanceof Refused && error.status === 404) return null
      throw error
    }
  }
  function take(next: Programme, revision: number): void {
    const key = keyOf(next.client, revision)
    const known = queries.getQueryData<Programme | null>(key)
    if (!known || known.number <= next.number) queries.setQueryData(key, next)
  }
  async function build(context: string, minutes: number, locked: string[], barred: string[]): Promise<void> {
    const of = on.value!
    const body = { context, minutes, barred, locked, revision: of.revision, number: current.value?.number ?? 0 }
    take(await got(http.POST('/api/v1/clients/{client_id}/programmes', { params: { path: { client_id: of.client } }, body })), of.revision)
    if (client.id === of.client) await client.refresh()
  }
  async function open(toChange = false): Promise<void> {
    const of = on.value
    if (of) await queries.fetchQuery({ queryKey: keyOf(of.client, of.revision), queryFn: () => fetched(of.client, toChange), staleTime: 0 })
  }
  /** Whoever changed the programme elsewhere wins; the newest version is fetched and the refusal passed on. */
  async function changing(call: (of: Programme) => Promise<Programme>): Promise<void> {
    const [of, revision] = [current.value!, on.value!.revision]
    try {
      take(await call(of), revision)
    } catch (error) {
      if (isChanged(error) && client.id === of.client) {
        await client.refresh()
        await open()
      }
      throw error
    }
  }
  async function edit(change: Edit): Promise<void> {
    const empty = { ref: '', into: '', refs: [], repetitions: 0, sets: 0, hold_s: 0 }
    await changing((of) =>
      got(
        http.POST('/api/v1/clients/{client_id}/programmes/latest/edit', {
          params: params(of),
          body: { ...empty, ...change, base: of.number },
        }),
      ),
    )
  }
  async function undo(): Promise<void> {
    await changing((of) =>
      got(http.POST('/api/v1/clients/{client_id}/programmes/latest/undo', { params: params(of), body: { base: of.number } })),
    )
  }
  async function redo(): Promise<void> {
    await changing((of) =>
      got(http.POST('/api/v1/clients/{client_id}/programmes/latest/redo', { params: params(of), body: { base: of.number } })),
    )
  }
  async function swapChoices(of: string): Promise<SwapChoice[]> {
    const [family_id, step_id] = of.split('/')
    return (
      await got(
        http.GET('/api/v1/clients/{client_id}/programmes/latest/swaps/{family_id}/{step_id}', {
          params: { path: { client_id: client.id, family_id, step_id } },
        }),
      )
    ).swaps
  }
  async function versions(): Promise<Version[]> {
    return (await got(http.GET('/api/v1/clients/{client_id}/programmes', { params: params(current.value!) }))).versions
  }
  async function whatIf(): Promise<WhatIf[]> {
    return (await got(http.GET('/api/v1/clients/{client_id}/programmes/latest/what-if', { params: params(current.value!) }))).answers
  }
  const planned = useQuery({
    queryKey: computed(() => [...keyOf(on.value?.client ?? '', on.value?.revision ?? 0), current.value?.number, 'week', days.value]),
    queryFn: () =>
      got(
        http.GET('/api/v1/clients/{client_id}/programmes/latest/week', {
          params: { ...params(current.value!), query: days.value ? { days: days.value } : {} },
        }),
      ),
    enabled: computed(() => days.value !== undefined && !!current.value),
  })
  function askWeek(of: number | undefined): void {
    days.value = of
  }
  return {
    current,
    week: computed(() => planned.data.value),
    weekFailed: computed(() => inWords(planned.error.value)),
    build,
    open,
    edit,
    undo,
    redo,
    swapChoices,
    versions,
    whatIf,
    askWeek,
  }
})
