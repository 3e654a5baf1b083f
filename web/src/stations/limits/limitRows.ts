import type { Limit } from '../../api/schemas'

const ORDER = ['forbidden', 'limit', 'caution']

/** What only waits to be shown: one row per quantity, as far as it goes at home and in the visit. */
export interface Waiting {
  quantity: string
  title: string
  limits: Limit[]
}

export function waiting(limits: Limit[]): Waiting[] {
  const found = new Map<string, Waiting>()
  for (const limit of limits.filter((l) => l.origin === 'not_shown')) {
    const row = found.get(limit.quantity) ?? { quantity: limit.quantity, title: limit.title, limits: [] }
    row.limits.push(limit)
    found.set(limit.quantity, row)
  }
  return [...found.values()]
}

/** One row: a limit, and the others of its group that say the same in the same words. */
export interface Row {
  limit: Limit
  same: Limit[]
}
/** What binds for one reason: a person's word, or something known of the client. */
export interface Group {
  title: string
  origin: 'clinician' | 'specialist' | 'rule'
  rows: Row[]
}

const BY = ['clinician', 'specialist', 'rule'] as const

/** Words of people first, then what is known, by what it is; the strongest stand first in each group and among the groups. */
export function groups(limits: Limit[]): Group[] {
  const found = new Map<string, Group>()
  const sorted = limits.filter((l) => l.origin !== 'not_shown').sort((a, b) => ORDER.indexOf(a.strength) - ORDER.indexOf(b.strength))
  for (const limit of sorted) {
    const origin = BY.find((o) => o === limit.origin) ?? 'rule'
    const key = `${origin} ${limit.because_of}`
    const group = found.get(key) ?? { title: limit.because_of, origin, rows: [] }
    const known = group.rows.find((r) => headline(r.limit) === headline(limit))
    if (known) known.same.push(limit)
    else group.rows.push({ limit, same: [] })
    found.set(key, group)
  }
  return [...found.values()].sort((a, b) => BY.indexOf(a.origin) - BY.indexOf(b.origin))
}

/** How many movements each kind of reason closes, once each; one that several close counts for every kind. */
export function closedBy(limits: Limit[], closes: (id: string) => string[]): { known: number; said: number; waits: number } {
  const of = (kind: (l: Limit) => boolean): Set<string> => new Set(limits.filter(kind).flatMap((l) => closes(l.id)))
  const known = of((l) => l.origin === 'rule')
  const said = of((l) => l.origin === 'clinician' || l.origin === 'specialist')
  const waits = [...of((l) => l.origin === 'not_shown')].filter((ref) => !known.has(ref) && !said.has(ref))
  return { known: known.size, said: said.size, waits: waits.length }
}

/** What a row says: a caution is its measure, everything else its bound. */
export function headline(limit: Limit): string {
  return limit.strength === 'caution' ? limit.measure : limit.says
}
