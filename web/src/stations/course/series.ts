/** What the charts of the course are drawn from: one movement over its sessions. */
import type { CourseData } from '../../api/schemas'

export interface Point {
  on: string
  /** Clean repetitions of each side, as a share of their target in percent; none where it was not done. */
  left: number | null
  right: number | null
  both: number | null
  rung: number
  title: string
  effort: number | null
  confidence: number | null
  flare: boolean
  symptoms: string[]
}
export interface FamilySeries {
  family: string
  title: string
  rungs: number
  points: Point[]
  faults: [string, number][]
}

const percent = (clean: number, target: number): number => Math.round((100 * clean) / Math.max(1, target))

/** Every family that was done, the one with most sessions first. */
export function seriesOf(course: CourseData): FamilySeries[] {
  const found = new Map<string, FamilySeries>()
  for (const visit of course.visits)
    for (const m of visit.movements) {
      if (!m.sides.length) continue
      const own = found.get(m.family) ?? { family: m.family, title: m.family_title, rungs: m.rungs, points: [], faults: [] }
      found.set(m.family, own)
      const of = (name: string): number | null => {
        const side = m.sides.find((s) => s.side === name)
        return side ? percent(side.clean, side.target) : null
      }
      own.points.push({
        on: visit.on,
        left: of('left'),
        right: of('right'),
        both: of('both'),
        rung: m.rung,
        title: m.title,
        effort: m.effort,
        confidence: m.confidence,
        flare: visit.flare === true,
        symptoms: m.symptoms,
      })
      const counts = new Map(own.faults)
      for (const [name, count] of Object.entries(m.faults)) counts.set(name, (counts.get(name) ?? 0) + count)
      own.faults = [...counts].sort((a, b) => b[1] - a[1])
    }
  return [...found.values()].sort((a, b) => b.points.length - a.points.length)
}

/** Where the rung changed, so that a line says so. */
export const steps = (points: Point[]): { on: string; title: string; up: boolean }[] =>
  points.flatMap((p, i) =>
    i > 0 && p.rung !== points[i - 1]!.rung ? [{ on: p.on, title: p.title, up: p.rung > points[i - 1]!.rung }] : [],
  )

export interface Beside {
  title: string
  before: string
  after: string
  /** Clean repetitions of all sides as a share of their target, in percent; none where it was not done. */
  then: number | null
  now: number | null
}

/** Two sessions beside each other: every movement that was done in one of them. */
export function beside(course: CourseData, first: string, second: string): Beside[] {
  const of = (id: string) => new Map(course.visits.find((v) => v.id === id)?.movements.map((m) => [m.family, m]) ?? [])
  const [a, b] = [of(first), of(second)]
  const share = (m?: CourseData['visits'][number]['movements'][number]): number | null =>
    m?.sides.length
      ? percent(
          m.sides.reduce((sum, s) => sum + s.clean, 0),
          m.sides.reduce((sum, s) => sum + s.target, 0),
        )
      : null
  return [...new Set([...a.keys(), ...b.keys()])].map((family) => ({
    title: (b.get(family) ?? a.get(family))!.family_title,
    before: a.get(family)?.title ?? '',
    after: b.get(family)?.title ?? '',
    then: share(a.get(family)),
    now: share(b.get(family)),
  }))
}
