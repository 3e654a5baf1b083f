import { describe, expect, it } from 'vitest'
import type { RunMovement, Sheet } from '../../api/schemas'
import { sheetOf } from '../../specs/sheets'
import {
  asVisit,
  begin,
  changeRung,
  clean,
  compare,
  currentSet,
  cued,
  discard,
  felt,
  finish,
  leftOut,
  nameFault,
  notClean,
  planned,
  ready,
  rested,
  skip,
  start,
  stopAll,
  undoable,
} from './run'

const side = (name: string, sets = 1) => ({ side: name, measures: [], repetitions: 3, sets, hold_s: 0, frames: [], beats: [] })
function movement(ref: string, sides: RunMovement['sides'], more: Partial<RunMovement> = {}): RunMovement {
  const rung = {
    ref: `${ref}-easier`,
    family_title: '',
    title: 'easier',
    do: [],
    setup: [],
    measures: [],
    picture: '',
    sides: ['both'],
    repetitions: 2,
    hold_s: 0,
    cues: [],
    faults: [],
    beats: [],
  }
  return {
    ref,
    family_title: '',
    title: ref,
    position: 'sitting',
    minutes: 4,
    do: [],
    setup: [],
    take: [],
    feedback: [],
    felt: '',
    not_felt: '',
    sides,
    weaker: '',
    cues: [],
    faults: [],
    leaves_as: 0,
    easier: rung,
    harder: null,
    instead: [],
    ...more,
  }
}
const sheet = (...movements: RunMovement[]): Sheet => sheetOf(movements)
const pair = sheet(movement('fold/one', [side('left'), side('right')]), movement('sit/tall', [side('both')]))
const running = (s = pair) => ready(start(begin(s, 'device-0001', new Date(2026, 10, 27, 9, 30), 'specialist')))
const times = <T>(n: number, f: (x: T) => T, x: T): T => Array.from({ length: n }).reduce<T>((y) => f(y), x)

describe('a set', () => {
  it('ends at its target in clean repetitions', () => {
    const run = times(3, clean, running())
    expect(run.movements[0]!.done).toMatchObject([{ side: 'left', clean: 3, target: 3, ended_by: 'target' }])
    expect(run.phase).toBe('rest')
    expect(currentSet(run)!.side).toBe('right')
  })
  it('goes on after a fault of unawareness and counts no repetition for it', () => {
    const run = nameFault(notClean(clean(running())), 'ribs_flare', 'unaware')
    expect(run.now).toMatchObject({ clean: 1, withFaults: 1, faults: [{ fault: 'ribs_flare', repetition: 2, meaning: 'unaware' }] })
    expect(run.phase).toBe('set')
  })
  it('ends when the fault is one of tiredness, and what was clean counts', () => {
    const run = nameFault(notClean(clean(running())), 'ribs_flare', 'tired')
    expect(run.movements[0]!.done[0]).toMatchObject({ clean: 1, with_faults: 1, ended_by: 'form' })
  })
  it('counts nothing for a repetition that began before the breath', () => {
    const run = times(3, clean, discard(running()))
    expect(run.movements[0]!.done[0]).toMatchObject({ clean: 3, with_faults: 0, discarded: 1, ended_by: 'target' })
  })
})

describe('a session', () => {
  it('compares a pair of sides before it goes on, and a single one not', () => {
    const left = rested(times(3, clean, running()))
    const both = times(3, clean, left)
    expect(both.phase).toBe('compare')
    const next = compare(both, { range: 'same', ease: 'right_less', coming_back: 'same' })
    expect([next.at, next.phase]).toEqual([1, 'setup'])
    expect(times(3, clean, ready(next)).phase).toBe('after')
  })
  it('takes rounds before sides, so that one side rests while the other works', () => {
    expect(planned([side('left', 2), side('right', 1)]).map((p) => p.side)).toEqual(['left', 'right', 'left'])
  })
  it.each([
    [{ what: 'pain', rise_0_to_10: 1, spreading: false }, 'set'],
    [{ what: 'pain', rise_0_to_10: 2, spreading: false }, 'setup'],
    [{ what: 'pain', rise_0_to_10: 0, spreading: true }, 'setup'],
    [{ what: 'tingling', rise_0_to_10: 0, spreading: false }, 'setup'],
  ] as const)('ends the movement for %o: %s', (symptom, phase) => {
    const run = felt(pair, clean(running()), { where: 'low_back', ...symptom })
    expect(run.phase).toBe(phase)
    expect(run.movements[0]!.symptoms).toHaveLength(1)
  })
  it('keeps what was done of a rung that was left for an easier one', () => {
    const run = changeRung(clean(running()), pair.movements[0]!.easier!)
    const done = times(2, clean, ready(run))
    const visit = asVisit(pair, finish(done, run.startedMs + 600_000))
    expect(visit.movements!.map((m) => [m.step, m.sets!.map((s) => [s.clean, s.ended_by])])).toEqual([
      ['fold/one', [[1, 'person']]],
      ['fold/one-easier', [[2, 'target']]],
    ])
  })
  it('keeps what was done when everything stops', () => {
    const visit = asVisit(pair, stopAll(clean(clean(running())), 0))
    expect(visit.movements).toMatchObject([{ step: 'fold/one', sets: [{ clean: 2, ended_by: 'person' }] }])
  })
  it('names why a movement was skipped', () => {
    expect(asVisit(pair, skip(running(), 'not_wanted')).movements).toMatchObject([{ step: 'fold/one', skipped: 'not_wanted', sets: [] }])
  })
  it('logs the hold that was held, and none that was meant', () => {
    const held = sheet(movement('plank/low', [{ ...side('both'), hold_s: 10 }]))
    const run = clean(clean(clean(running(held), 4), 12), 6)
    expect(run.movements[0]!.done[0]!.held_s).toBe(12)
    expect(times(3, clean, running(held)).movements[0]!.done[0]!.held_s).toBe(0)
  })
  it('remembers which cue worked', () => {
    expect(cued(cued(running(), 0, false), 1, true).movements[0]!.cues).toEqual([
      { cue: 0, worked: false },
      { cue: 1, worked: true },
    ])
  })
})

describe('when time runs short', () => {
  const four = sheet(
    movement('a/a', [side('both')], { leaves_as: 2 }),
    movement('b/b', [side('both')], { leaves_as: 3 }),
    movement('c/c', [side('both')], { leaves_as: 1 }),
    movement('d/d', [side('both')], { leaves_as: 0 }),
  )
  it.each([
    [16, []],
    [13, [3]],
    [9, [2, 3]],
    [5, [1, 2, 3]],
  ])('%d minutes leave out %j: in the order of the sheet', (minutes, out) => {
    expect(leftOut(four, running(four), minutes)).toEqual(out)
  })
})

it('undoes tap by tap', () => {
  const log = undoable(running())
  log.tap(clean)
  log.tap(clean)
  log.undo()
  expect(log.run.now.clean).toBe(1)
  log.undo()
  log.undo()
  expect(log.run.now.clean).toBe(0)
})
