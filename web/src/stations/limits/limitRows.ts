import type { Limit } from '../../api/types'

const ORDER = ['forbidden', 'limit', 'caution']

/** Limits in the order of their strength, those of one person's word first; cautions that say the same are one row. */
export function rows(limits: Limit[]): { limit: Limit; also: number }[] {
  const sorted = [...limits].sort((a, b) => ORDER.indexOf(a.strength) - ORDER.indexOf(b.strength) || Number(b.set_by !== 'rule-book') - Number(a.set_by !== 'rule-book'))
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
