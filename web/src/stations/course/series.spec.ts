import { describe, expect, it } from 'vitest'
import type { CourseData } from '../../api/schemas'
import { beside, seriesOf, steps } from './series'

const done = (rung: number, left: number, right: number, faults: Record<string, number> = {}) => ({
  step: `fold/${rung}`,
  title: `step ${rung}`,
  family: 'fold',
  family_title: 'Fold',
  rung,
  rungs: 4,
  sides: [
    { side: 'left', clean: left, target: 8 },
    { side: 'right', clean: right, target: 8 },
  ],
  faults,
  effort: 3,
  confidence: null,
  symptoms: [],
  skipped: '',
})
const visit = (on: string, flare: boolean | null, ...movements: ReturnType<typeof done>[]) => ({
  id: on,
  on,
  context: 'home',
  by: 'client',
  session: 'A',
  minutes: 20,
  pain_before: 0,
  effort: 3,
  soreness: 1,
  flare,
  movements,
})
const course = {
  visits: [visit('2026-11-02', false, done(1, 8, 4, { ribs: 2 })), visit('2026-11-04', true, done(2, 6, 4, { ribs: 1, shakes: 4 }))],
  weeks: [],
  tests: [],
  endurance: [],
  weaker: {},
  summary: [],
} as CourseData

describe('the series of a movement', () => {
  it('sets each side against its own target', () => {
    expect(seriesOf(course)[0]!.points.map((p) => [p.on, p.left, p.right, p.both])).toEqual([
      ['2026-11-02', 100, 50, null],
      ['2026-11-04', 75, 50, null],
    ])
  })
  it('says where the step changed and which way', () => {
    expect(steps(seriesOf(course)[0]!.points)).toEqual([{ on: '2026-11-04', title: 'step 2', up: true }])
  })
  it('sums the faults, the most frequent first', () => {
    expect(seriesOf(course)[0]!.faults).toEqual([
      ['shakes', 4],
      ['ribs', 3],
    ])
  })
  it('marks the session before a flare', () => {
    expect(seriesOf(course)[0]!.points.map((p) => p.flare)).toEqual([false, true])
  })
})

it('sets two sessions beside each other', () => {
  expect(beside(course, '2026-11-02', '2026-11-04')).toEqual([{ title: 'Fold', before: 'step 1', after: 'step 2', then: 75, now: 63 }])
  expect(beside(course, '2026-11-02', 'none')).toMatchObject([{ then: 75, now: null }])
})
