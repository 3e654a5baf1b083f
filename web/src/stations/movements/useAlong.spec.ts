import { describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { Parameter, Stop } from '../../api/schemas'
import { CHUNK, SPREAD, spreadOf, stopsOf, useAlong } from './useAlong'

const seat: Parameter = {
  id: 'seat_cm',
  title: 'seat height',
  unit: 'cm',
  low: 36,
  high: 66,
  grid: 1,
  easier: 'up',
  choices: [],
  choice_titles: {},
}
const lift: Parameter = {
  id: 'lift_cm',
  title: 'lift',
  unit: 'cm',
  low: 0.5,
  high: 2.5,
  grid: 0.1,
  easier: 'up',
  choices: [],
  choice_titles: {},
}
const answer = (at: number[], quick = false): Stop[] => at.map((value) => ({ value, svg: `${quick ? 'near' : 'at'} ${value}` }) as Stop)
const sorted = (values: number[]): number[] => [...values].sort((a, b) => a - b)

/** A server that answers at once and keeps what it was asked. */
function asking(keyOf: (parameter: string) => string = () => '') {
  const asked: { parameter: string; at: number[]; quick: boolean }[] = []
  const along = useAlong((parameter, at, quick) => {
    asked.push({ parameter, at, quick })
    return Promise.resolve(answer(at, quick))
  }, keyOf)
  return { asked, ...along }
}

describe('along the sliders', () => {
  it('knows every stop, without the dust of floating point, and a spread with both ends', () => {
    expect(stopsOf(seat)).toHaveLength(31)
    expect(stopsOf(lift).slice(0, 4)).toEqual([0.5, 0.6, 0.7, 0.8])
    expect(stopsOf(lift).at(-1)).toBe(2.5)
    expect(spreadOf(seat)).toEqual([36, 41, 46, 51, 56, 61, 66])
    expect(spreadOf({ ...seat, low: 1, high: 3 })).toEqual([1, 2, 3])
    expect(spreadOf({ ...seat, low: 3, high: 3 })).toEqual([3])
  })
  it('asks a spread of poses first, then every pose, and beside it every verdict, from the nearest outwards', async () => {
    const { asked, prepare, at } = asking()
    await prepare([{ parameter: seat, now: 45 }])
    const [poses, judged] = [asked.filter((x) => x.quick), asked.filter((x) => !x.quick)]
    const nearest = [45, 44, 46, 43, 47, 42, 48, 41]
    expect(poses[0]).toEqual({ parameter: 'seat_cm', at: spreadOf(seat), quick: true })
    expect(judged[0].at).toEqual([45])
    expect(judged[1].at).toEqual(nearest.slice(1, CHUNK + 1))
    expect([...poses.slice(1), ...judged].every((x) => x.at.length <= CHUNK)).toBe(true)
    expect(sorted(judged.flatMap((x) => x.at))).toEqual(stopsOf(seat))
    expect(at('seat_cm', 66)?.svg).toBe('at 66')
  })
  it('asks every pose when no verdict comes, none of them twice', async () => {
    const poses: number[] = []
    const { prepare, near } = useAlong(
      (_, stops, quick) =>
        quick
          ? Promise.resolve(answer(stops, true)).then((x) => {
              poses.push(...stops)
              return x
            })
          : new Promise(() => undefined),
      () => '',
    )
    void prepare([{ parameter: seat, now: 45 }])
    await vi.waitFor(() => {
      expect(sorted(poses)).toEqual(stopsOf(seat))
    })
    expect(near('seat_cm', 47)?.svg).toBe('near 47')
  })
  it('asks poses one by one under a moving hand, each where the hand is by then', async () => {
    const poses: number[][] = []
    const along = useAlong(
      (_, stops, quick) => {
        if (!quick) return new Promise(() => undefined)
        poses.push(stops)
        if (poses.length === 2) void along.prepare([{ parameter: seat, now: 60 }], true)
        if (poses.length === 4) void along.prepare([{ parameter: seat, now: 60 }])
        return Promise.resolve(answer(stops, true))
      },
      () => '',
    )
    void along.prepare([{ parameter: seat, now: 45 }], true)
    await vi.waitFor(() => {
      expect(sorted([...new Set(poses.flat())])).toEqual(stopsOf(seat))
    })
    expect(poses.slice(1, 4)).toEqual([[45], [60], [59]])
    expect(poses[4]).toHaveLength(CHUNK)
  })
  it('spreads over every slider before it fills one', async () => {
    const { asked, prepare } = asking()
    await prepare([
      { parameter: seat, now: 45 },
      { parameter: lift, now: 1 },
    ])
    const poses = asked.filter((x) => x.quick)
    expect(poses.slice(0, 3).map((x) => x.parameter)).toEqual(['seat_cm', 'lift_cm', 'seat_cm'])
    expect(poses.slice(0, 2).map((x) => x.at.length)).toEqual([SPREAD + 1, SPREAD + 1])
  })
  it('judges nothing twice, one request of a kind at a time, and turns to the slider under the hand', async () => {
    const judged: string[] = []
    const open = { poses: 0, judged: 0 }
    const { prepare } = useAlong(
      async (parameter, stops, quick) => {
        const kind = quick ? 'poses' : 'judged'
        expect(++open[kind]).toBe(1)
        if (!quick) judged.push(...stops.map((s) => `${parameter} ${s}`))
        await Promise.resolve()
        open[kind]--
        return answer(stops)
      },
      () => '',
    )
    const first = prepare([
      { parameter: seat, now: 45 },
      { parameter: lift, now: 1 },
    ])
    void prepare([
      { parameter: lift, now: 1 },
      { parameter: seat, now: 45 },
    ])
    await first
    expect(judged.findIndex((x) => x.startsWith('lift'))).toBe(1)
    expect(judged).toHaveLength(31 + 21)
    expect(new Set(judged).size).toBe(31 + 21)
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
    const { prepare, at, near } = useAlong(
      (_, stops) =>
        set_up === 1
          ? new Promise((r) => {
              const before = free
              free = (x) => {
                before(x)
                r(x)
              }
            })
          : Promise.resolve(answer(stops).map((s) => ({ ...s, svg: 'new' }))),
      () => String(set_up),
    )
    const going = prepare([{ parameter: seat, now: 45 }])
    set_up = 2
    free(answer(spreadOf(seat)))
    await going
    expect(at('seat_cm', 45)?.svg).toBe('new')
    expect(near('seat_cm', 45)?.svg).toBe('new')
  })
  it('knows something close by wherever the hand goes once the spread is there', async () => {
    let asked = 0
    const { prepare, at, near } = useAlong(
      (_, stops, quick) => (++asked && quick && asked < 3 ? Promise.resolve(answer(stops, quick)) : Promise.reject(new Error('gone'))),
      () => '',
    )
    await prepare([{ parameter: seat, now: 45 }])
    for (const value of stopsOf(seat)) expect(Math.abs(near('seat_cm', value)!.value - value)).toBeLessThanOrEqual(30 / SPREAD / 2)
    expect(at('seat_cm', 45)).toBeUndefined()
    expect(near('lift_cm', 1)).toBeUndefined()
    expect(asked).toBe(3)
  })
  it('asks no more once its page is closed', async () => {
    let asked = 0
    const scope = effectScope()
    const { prepare } = scope.run(() =>
      useAlong(
        (_, stops) => {
          if (++asked === 3) scope.stop()
          return Promise.resolve(answer(stops))
        },
        () => '',
      ),
    )!
    await prepare([{ parameter: seat, now: 45 }])
    expect(asked).toBeLessThanOrEqual(4)
  })
  it('tells when something has come', async () => {
    let [times, answers] = [0, 0]
    const { prepare } = useAlong(
      (_, stops) => {
        answers++
        return Promise.resolve(answer(stops))
      },
      () => '',
      () => times++,
    )
    await prepare([{ parameter: seat, now: 45 }])
    expect(times).toBe(answers)
    expect(times).toBeGreaterThanOrEqual(1 + Math.ceil(31 / CHUNK))
  })
})
