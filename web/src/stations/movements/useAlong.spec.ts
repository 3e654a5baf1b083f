import { describe, expect, it } from 'vitest'
import type { Parameter, Stop } from '../../api/types'
import { CHUNK, SPREAD, spreadOf, stopsOf, useAlong } from './useAlong'

const seat: Parameter = { id: 'seat_cm', title: 'seat height', unit: 'cm', low: 36, high: 66, grid: 1, easier: 'up', choices: [] }
const lift: Parameter = { id: 'lift_cm', title: 'lift', unit: 'cm', low: 0.5, high: 2.5, grid: 0.1, easier: 'up', choices: [] }
const answer = (at: number[], quick = false): Stop[] => at.map((value) => ({ value, svg: `${quick ? 'near' : 'at'} ${value}` }) as Stop)
const sorted = (values: number[]): number[] => [...values].sort((a, b) => a - b)

/** A server that answers at once and keeps what it was asked. */
function asking(keyOf: (parameter: string) => string = () => '') {
  const asked: { parameter: string; at: number[]; quick: boolean }[] = []
  const along = useAlong((parameter, at, quick) => { asked.push({ parameter, at, quick }); return Promise.resolve(answer(at, quick)) }, keyOf)
  return { asked, ...along }
}

describe('along the sliders', () => {
  it('knows every stop, without the dust of floating point, and a spread with both ends', () => {
    expect(stopsOf(seat)).toHaveLength(31)
    expect(stopsOf(lift).slice(0, 4)).toEqual([0.5, 0.6, 0.7, 0.8])
    expect(stopsOf(lift).at(-1)).toBe(2.5)
    expect(spreadOf(seat)).toEqual([36, 39, 42, 45, 48, 51, 54, 57, 60, 63, 66])
    expect(spreadOf({ ...seat, low: 1, high: 3 })).toEqual([1, 2, 3])
    expect(spreadOf({ ...seat, low: 3, high: 3 })).toEqual([3])
  })
  it('asks a spread of poses first, then judges every stop from the nearest outwards', async () => {
    const { asked, prepare, at } = asking()
    await prepare([{ parameter: seat, now: 45 }])
    expect(asked[0]).toEqual({ parameter: 'seat_cm', at: spreadOf(seat), quick: true })
    expect(asked[1].at).toEqual([45, 44, 46, 43, 47, 42, 48, 41].slice(0, CHUNK))
    expect(asked.slice(1).every((x) => x.at.length <= CHUNK && !x.quick)).toBe(true)
    expect(sorted(asked.slice(1).flatMap((x) => x.at))).toEqual(stopsOf(seat))
    expect(at('seat_cm', 66)?.svg).toBe('at 66')
  })
  it('spreads over every slider before it judges one', async () => {
    const { asked, prepare } = asking()
    await prepare([{ parameter: seat, now: 45 }, { parameter: lift, now: 1 }])
    expect(asked.slice(0, 3).map((x) => [x.parameter, x.quick])).toEqual([['seat_cm', true], ['lift_cm', true], ['seat_cm', false]])
  })
  it('asks nothing twice, one request at a time, and turns to the slider under the hand', async () => {
    const asked: string[] = []
    let open = 0
    const { prepare } = useAlong(async (parameter, stops, quick) => {
      expect(++open).toBe(1)
      if (!quick) asked.push(...stops.map((s) => `${parameter} ${s}`))
      await Promise.resolve()
      open--
      return answer(stops)
    }, () => '')
    const first = prepare([{ parameter: seat, now: 45 }, { parameter: lift, now: 1 }])
    void prepare([{ parameter: lift, now: 1 }, { parameter: seat, now: 45 }])
    await first
    expect(asked[0]).toBe('lift_cm 1')
    expect(asked).toHaveLength(31 + 21)
    expect(new Set(asked).size).toBe(31 + 21)
  })
  it('forgets a slider when something else has moved, and keeps it when it moved itself', async () => {
    const values: Record<string, number> = { seat_cm: 45, lift_cm: 1 }
    const { prepare, at, near } = asking((own) => JSON.stringify({ ...values, [own]: null }))
    await prepare([{ parameter: seat, now: 45 }])
    values.seat_cm = 50
    expect(at('seat_cm', 50)).toBeDefined()
    values.lift_cm = 2
    expect(at('seat_cm', 50)).toBeUndefined()
    expect(near('seat_cm', 50)).toBeUndefined()
  })
  it('an answer that comes too late is not taken for the new set-up', async () => {
    let set_up = 1
    let free: (stops: Stop[]) => void = () => undefined
    const { prepare, at, near } = useAlong((_, stops) => (set_up === 1 ? new Promise((r) => { free = r }) : Promise.resolve(answer(stops).map((s) => ({ ...s, svg: 'new' })))), () => String(set_up))
    const going = prepare([{ parameter: seat, now: 45 }])
    set_up = 2
    free(answer(spreadOf(seat)))
    await going
    expect(at('seat_cm', 45)?.svg).toBe('new')
    expect(near('seat_cm', 45)?.svg).toBe('new')
  })
  it('knows something close by wherever the hand goes once the spread is there', async () => {
    let asked = 0
    const { prepare, at, near } = useAlong((_, stops, quick) => (++asked > 1 ? Promise.reject(new Error('gone')) : Promise.resolve(answer(stops, quick))), () => '')
    await prepare([{ parameter: seat, now: 45 }])
    for (const value of stopsOf(seat)) expect(Math.abs(near('seat_cm', value)!.value - value)).toBeLessThanOrEqual(30 / SPREAD / 2)
    expect(at('seat_cm', 45)).toBeUndefined()
    expect(near('lift_cm', 1)).toBeUndefined()
    expect(asked).toBe(2)
  })
  it('tells when something has come', async () => {
    let times = 0
    const { prepare } = useAlong((_, stops) => Promise.resolve(answer(stops)), () => '', () => times++)
    await prepare([{ parameter: seat, now: 45 }])
    expect(times).toBe(1 + Math.ceil(31 / CHUNK))
  })
})
