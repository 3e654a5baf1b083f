import { expect, test } from 'vitest'
import type { Limit } from '../../api/types'
import { headline, rows } from './limitRows'

const limit = (id: string, strength: Limit['strength'], more: Partial<Limit> = {}) => ({ id, strength, says: `${id} at most 10°`, measure: '', set_by: 'rule-book', ...more }) as Limit

test('the strongest stand first, and what a person said before what the rule-book says', () => {
  const found = rows([limit('a', 'caution', { measure: 'slow' }), limit('b', 'limit'), limit('c', 'limit', { set_by: 'surgeon' }), limit('d', 'forbidden')])
  expect(found.map((r) => r.limit.id)).toEqual(['d', 'c', 'b', 'a'])
})

test('cautions with the same measure are one row, limits never are', () => {
  const found = rows([limit('a', 'caution', { measure: 'slow' }), limit('b', 'caution', { measure: 'slow' }), limit('c', 'limit'), limit('d', 'limit')])
  expect(found.map((r) => [r.limit.id, r.also])).toEqual([['c', 0], ['d', 0], ['a', 1]])
})

test('a caution is read by its measure, a limit by its bound', () => {
  expect(headline(limit('a', 'caution', { measure: 'pad under the knee' }))).toBe('pad under the knee')
  expect(headline(limit('b', 'limit'))).toBe('b at most 10°')
})
