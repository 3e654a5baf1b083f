import type { Limit } from '../../api/types'

const ORDER = ['forbidden', 'limit', 'caution']

/** What only waits to be shown: one row per quantity, as far as it goes at home and in the visit. */
export interface Waiting { quantity: string; title: string; limits: Limit[] }

export function waiting(limits: Limit[]): Waiting[] {
  const found = new Map<string, Waiting>()
  for (const limit of limits.filter((l) => l.origin === 'not_shown')) {
    const row = found.get(limit.quantity) ?? { quantity: limit.quantity, title: limit.title, limits: [] }
    row.limits.push(limit)
    found.set(limit.quantity, row)
  }
  return [...found.values()]
}

/** Limits in the order of their strength, those of one person's word first; cautions that say the same are one row. */
export function rows(limits: Limit[]): { limit: Limit; also: number }[] {
  const sorted = limits.filter((l) => l.origin !== 'not_shown').sort((a, b) => ORDER.indexOf(a.strength) - ORDER.indexOf(b.strength) || Number(b.set_by !== 'rule-book') - Number(a.set_by !== 'rule-book'))
  const found = new Map<string, { limit: Limit; also: number }>()
  for (const limit of sorted) {
    const key = limit.strength === 'caution' ? `${limit.measure}` : limit.id
    const known = found.get(key)
    if (known) known.also += 1
    else found.set(key, { limit, also: 0 })
  }
  return [...found.values()]
}

/** What a row says: a caution is its measure, everything else its bound. */
export function headline(limit: Limit): string {
  return limit.strength === 'caution' ? limit.measure : limit.says
}
