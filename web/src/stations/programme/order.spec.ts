import { describe, expect, it } from 'vitest'
import { moved } from './order'

describe('moving a movement', () => {
  it('puts it where it was let go and keeps the others in order', () => {
    expect(moved(['a', 'b', 'c', 'd'], 0, 2)).toEqual(['b', 'c', 'a', 'd'])
    expect(moved(['a', 'b', 'c', 'd'], 3, 0)).toEqual(['d', 'a', 'b', 'c'])
  })
  it('leaves the list alone when there is nowhere to go', () => {
    for (const [from, to] of [
      [0, -1],
      [2, 3],
      [1, 1],
      [7, 0],
    ])
      expect(moved(['a', 'b', 'c'], from, to)).toEqual(['a', 'b', 'c'])
  })
  it('loses nothing wherever it goes', () => {
    const list = [1, 2, 3, 4, 5]
    for (let i = 0; i < 5; i++) for (let j = 0; j < 5; j++) expect([...moved(list, i, j)].sort()).toEqual(list)
  })
})
