import { expect, test } from 'vitest'
import type { Limit } from '../../api/types'
import { headline, rows, waiting } from './limitRows'

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

test('what only waits to be shown stands apart: one row per quantity, never among what binds', () => {
  const shown = (id: string, quantity: string, at_home: boolean) => limit(id, 'limit', { origin: 'not_shown', quantity, title: quantity, at_home })
  const all = [shown('a', 'arching_level', false), limit('b', 'limit'), shown('c', 'arching_level', true), shown('d', 'rise_level', true)]
  expect(rows(all).map((r) => r.limit.id)).toEqual(['b'])
  expect(waiting(all).map((w) => [w.quantity, w.limits.map((l) => l.id)])).toEqual([['arching_level', ['a', 'c']], ['rise_level', ['d']]])
})
