import { expect, test } from 'vitest'
import type { Limit } from '../../api/schemas'
import { closedBy, groups, headline, waiting } from './limitRows'

const limit = (id: string, strength: Limit['strength'], more: Partial<Limit> = {}) =>
  ({ id, strength, says: `${id} at most 10°`, measure: '', set_by: 'rule-book', origin: 'rule', because_of: 'New hip', ...more }) as Limit
const ids = (limits: Limit[]) => groups(limits).map((g) => [g.title, g.rows.map((r) => r.limit.id)])

test('what a person said stands before what is known, and the strongest first in each group', () => {
  const word: Partial<Limit> = { origin: 'clinician', because_of: 'surgeon A. B.' }
  expect(
    ids([limit('a', 'caution', { measure: 'slow' }), limit('b', 'limit'), limit('c', 'limit', word), limit('d', 'forbidden')]),
  ).toEqual([
    ['surgeon A. B.', ['c']],
    ['New hip', ['d', 'b', 'a']],
  ])
})

test('a stricter limit of the specialist stands between a clinician’s word and the rules', () => {
  const own: Partial<Limit> = { origin: 'specialist', because_of: 'ann' }
  const word: Partial<Limit> = { origin: 'clinician', because_of: 'surgeon' }
  expect(ids([limit('a', 'limit'), limit('b', 'limit', own), limit('c', 'limit', word)]).map(([t]) => t)).toEqual([
    'surgeon',
    'ann',
    'New hip',
  ])
})

test('what says the same for the same reason is one row, for another reason another', () => {
  const found = groups([
    limit('a', 'caution', { measure: 'slow' }),
    limit('b', 'caution', { measure: 'slow' }),
    limit('c', 'caution', { measure: 'slow', because_of: 'Stroke' }),
  ])
  expect(found.map((g) => [g.title, g.rows.map((r) => [r.limit.id, r.same.length])])).toEqual([
    ['New hip', [['a', 1]]],
    ['Stroke', [['c', 0]]],
  ])
})

test('a caution is read by its measure, a limit by its bound', () => {
  expect(headline(limit('a', 'caution', { measure: 'pad under the knee' }))).toBe('pad under the knee')
  expect(headline(limit('b', 'limit'))).toBe('b at most 10°')
})

test('what only waits to be shown stands apart: one row per quantity, never among what binds', () => {
  const shown = (id: string, quantity: string, at_home: boolean) =>
    limit(id, 'limit', { origin: 'not_shown', quantity, title: quantity, at_home })
  const all = [shown('a', 'arching_level', false), limit('b', 'limit'), shown('c', 'arching_level', true), shown('d', 'rise_level', true)]
  expect(ids(all)).toEqual([['New hip', ['b']]])
  expect(waiting(all).map((w) => [w.quantity, w.limits.map((l) => l.id)])).toEqual([
    ['arching_level', ['a', 'c']],
    ['rise_level', ['d']],
  ])
})

test('a movement waits only where nothing else closes it', () => {
  const closes: Record<string, string[]> = { a: ['x', 'y'], b: ['y', 'z'], c: ['z', 'w', 'v'], d: ['v'] }
  const all = [
    limit('a', 'limit'),
    limit('b', 'limit'),
    limit('c', 'limit', { origin: 'not_shown' }),
    limit('d', 'limit', { origin: 'specialist' }),
  ]
  expect(closedBy(all, (id) => closes[id] ?? [])).toEqual({ known: 3, said: 1, waits: 1 })
})
