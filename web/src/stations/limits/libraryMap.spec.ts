import { describe, expect, it } from 'vitest'
import type { Movement } from '../../api/schemas'
import { byPlace } from './libraryMap'

const move = (family: string, step: string, position: Movement['position']): Movement =>
  ({ family, step, position, family_title: family.toUpperCase() }) as Movement

describe('the map of the library', () => {
  it('groups steps by position and family and loses none', () => {
    const map = byPlace([move('a', '1', 'sitting'), move('b', '1', 'standing'), move('a', '2', 'sitting')])
    expect(map.map(([place]) => place)).toEqual(['sitting', 'standing'])
    expect(map[0][1]).toEqual([{ id: 'a', title: 'A', refs: ['a/1', 'a/2'] }])
    expect(map.flatMap(([, f]) => f.flatMap((x) => x.refs))).toHaveLength(3)
  })
})
