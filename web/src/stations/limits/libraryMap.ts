import type { Movement } from '../../api/schemas'

export interface MapFamily {
  id: string
  title: string
  refs: string[]
}

/** Families with their steps, grouped by position, in the library's order. */
export function byPlace(movements: Movement[]): [Movement['position'], MapFamily[]][] {
  const places = new Map<Movement['position'], Map<string, MapFamily>>()
  for (const m of movements) {
    const families = places.get(m.position) ?? new Map<string, MapFamily>()
    const family = families.get(m.family) ?? { id: m.family, title: m.family_title, refs: [] }
    family.refs.push(`${m.family}/${m.step}`)
    families.set(m.family, family)
    places.set(m.position, families)
  }
  return [...places].map(([place, families]) => [place, [...families.values()]])
}
