import { describe, expect, it } from 'vitest'
import type { HistoryEntry } from '../../api/schemas'
import { limitsOverTime } from './limitsOverTime'

const entry = (revision: number, on: string, limits: HistoryEntry['limits']): HistoryEntry => ({
  revision,
  on: `${on}T09:00`,
  by: 'Ann',
  reason: `because of ${revision}`,
  limits,
})
const came = (id: string, says: string) => ({ id, change: 'new' as const, says, was: '' })
const moved = (id: string, was: string, says: string) => ({ id, change: 'moved' as const, says, was })
const went = (id: string, was: string) => ({ id, change: 'gone' as const, says: '', was })

describe('limits over time', () => {
  it('tells when one came, moved and went', () => {
    const rows = limitsOverTime([
      entry(4, '2026-11-20', [went('a', 'at most 20°')]),
      entry(3, '2026-11-10', [moved('a', 'at most 10°', 'at most 20°')]),
      entry(2, '2026-11-01', [came('a', 'at most 10°')]),
      entry(1, '2026-10-01', []),
    ])
    expect(rows).toEqual([
      {
        id: 'a',
        says: 'at most 10°',
        came: '2026-11-01',
        moved: [{ on: '2026-11-10', says: 'at most 20°', why: 'because of 3' }],
        went: '2026-11-20',
        why: 'because of 4',
      },
    ])
  })

  it('knows one that was there from the first day by what it was', () => {
    const [row] = limitsOverTime([entry(2, '2026-11-02', [went('a', 'no jolt')]), entry(1, '2026-11-01', [])])
    expect(row).toMatchObject({ says: 'no jolt', came: '', went: '2026-11-02' })
  })

  it('counts one that came back as another', () => {
    const rows = limitsOverTime([
      entry(4, '2026-11-04', [came('a', 'again')]),
      entry(3, '2026-11-03', [went('a', 'first')]),
      entry(2, '2026-11-02', [came('a', 'first')]),
      entry(1, '2026-11-01', []),
    ])
    expect(rows.map((r) => [r.says, r.came, r.went])).toEqual([
      ['again', '2026-11-04', ''],
      ['first', '2026-11-02', '2026-11-03'],
    ])
  })

  it('puts the newest event first', () => {
    const rows = limitsOverTime([
      entry(3, '2026-11-03', [moved('a', '1', '2')]),
      entry(2, '2026-11-02', [came('b', 'b'), came('a', '1')]),
      entry(1, '2026-11-01', []),
    ])
    expect(rows.map((r) => r.id)).toEqual(['a', 'b'])
  })
})
