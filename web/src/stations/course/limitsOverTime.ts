import type { HistoryEntry } from '../../api/schemas'

/** One limit over the time that is known: when it came, how it moved, when it went. */
export interface LimitOverTime {
  id: string
  says: string
  came: string
  moved: { on: string; says: string; why: string }[]
  went: string
  why: string
}

/** The limits that came, moved or went, the newest event first; `history` has the newest entry first. */
export function limitsOverTime(history: readonly HistoryEntry[]): LimitOverTime[] {
  const known = new Map<string, LimitOverTime>()
  const open = new Map<string, LimitOverTime>()
  for (const entry of [...history].reverse()) {
    const on = entry.on.slice(0, 10)
    for (const m of entry.limits) {
      if (m.change === 'new') {
        const row = { id: m.id, says: m.says, came: on, moved: [], went: '', why: entry.reason }
        open.set(m.id, row)
        known.set(`${m.id} ${entry.revision}`, row)
        continue
      }
      let row = open.get(m.id)
      if (!row) {
        row = { id: m.id, says: m.was, came: '', moved: [], went: '', why: '' }
        open.set(m.id, row)
        known.set(`${m.id} ${entry.revision}`, row)
      }
      if (m.change === 'moved') row.moved.push({ on, says: m.says, why: entry.reason })
      else {
        row.went = on
        row.why = entry.reason
        open.delete(m.id)
      }
    }
  }
  return [...known.values()].sort((a, b) => last(b).localeCompare(last(a)))
}

const last = (row: LimitOverTime): string => row.went || row.moved.at(-1)?.on || row.came
