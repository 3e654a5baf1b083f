import { expect, test } from 'vitest'
import type { Limit } from '../../api/schemas'
import { demandLines } from './demandLines'

const limit = (quantity: string, bound: number): Limit => ({
  because_of: '',
  rule: '',
  id: 'x',
  quantity,
  title: '',
  bound,
  at_least: false,
  unit: 'deg',
  condition: 'always',
  at_home: false,
  bound_in_words: '',
  origin: 'rule',
  opened_by: [],
  strength: 'limit',
  reason: 'r',
  source: 's',
  says: '',
  measure: '',
  review_on: null,
  next_grade: '',
  valid_until: null,
  grade: 0,
  grades: 0,
  waits_for: '',
  only_step: '',
  set_by: 'rule-book',
})

test('a demand beyond its bound is marked, one inside is not', () => {
  const lines = demandLines({ 'left.hip_flexion_deg': 96, 'right.hip_flexion_deg': 80 }, [limit('hip_flexion_deg', 90)])
  expect(lines).toEqual([{ title: 'Hip bend', value: '96°', bound: '≤ 90°', over: true }])
  expect(demandLines({ 'left.hip_flexion_deg': 84 }, [limit('hip_flexion_deg', 90)])[0].over).toBe(false)
})

test('rounding is compared with the bound that applies, loaded or not', () => {
  const limits = [limit('loaded_trunk_flexion_deg', 10), limit('unloaded_trunk_flexion_deg', 20)]
  expect(demandLines({ trunk_flexion_deg: 15, loaded_trunk_flexion_deg: 0, unloaded_trunk_flexion_deg: 15 }, limits)[0].bound).toBe('≤ 20°')
  expect(demandLines({ trunk_flexion_deg: 15, loaded_trunk_flexion_deg: 15, unloaded_trunk_flexion_deg: 0 }, limits)[0].bound).toBe('≤ 10°')
})
