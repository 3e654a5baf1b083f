import { useLocalStorage } from '@vueuse/core'
import type { Station } from '../api/schemas'

/** The stations in the order in which a visit goes through them. */
export const ON_THE_WAY = [
  'story',
  'measure',
  'limits',
  'movements',
  'room',
  'programme',
  'visit',
  'course',
  'papers',
] as const satisfies readonly Station['id'][]
export type OnTheWay = (typeof ON_THE_WAY)[number]

/** Whether the words on what a station is for are open; on this device they stay so, and whoever is new is offered them. */
export const guide = useLocalStorage<'new' | 'open' | 'closed'>('amvel.guide', 'new')

/** The station after this one on the way through a visit; undefined after the last and for what is no station. */
export function stationAfter(here: string): OnTheWay | undefined {
  const at = ON_THE_WAY.findIndex((s) => s === here)
  return at < 0 ? undefined : ON_THE_WAY[at + 1]
}
