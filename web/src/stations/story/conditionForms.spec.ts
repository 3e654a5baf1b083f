import { expect, test } from 'vitest'
import type { ConditionForm, Field } from '../../api/schemas'
import { begun, grouped } from './conditionForms'

const field = (name: string, kind: string, more: Partial<Field> = {}): Field => ({
  name,
  title: name,
  unit: '',
  kind,
  low: 0,
  high: 0,
  optional: false,
  choices: [],
  first: null,
  ...more,
})
const fracture: ConditionForm = {
  kind: 'fracture',
  title: 'Broken bone',
  group: 'Bone',
  about: '',
  asks: [
    field('site', 'choice', { first: 'wrist' }),
    field('on', 'date'),
    field('healed', 'yes_no', { first: true }),
    field('t', 'number', { optional: true }),
  ],
}
const wrist: ConditionForm = {
  kind: 'wrist_trouble',
  title: 'Painful wrist',
  group: 'Joints',
  about: '',
  asks: [field('side', 'choice', { first: 'left' }), field('tolerated_load_percent_bw', 'number', { optional: true })],
}

test('a condition begins with its first answers and today as its date', () => {
  expect(begun(fracture, '2026-11-24')).toEqual({ kind: 'fracture', noted_on: '2026-11-24', on: '2026-11-24', site: 'wrist', healed: true })
})

test('tolerated values that nobody tested are left out, so that the core stays cautious', () => {
  expect(begun(wrist, '2026-11-24')).toEqual({ kind: 'wrist_trouble', noted_on: '2026-11-24', side: 'left' })
})

test('what is typed finds conditions by name and group', () => {
  expect(grouped([fracture, wrist], '').map(([g]) => g)).toEqual(['Bone', 'Joints'])
  expect(grouped([fracture, wrist], 'wri')).toEqual([['Joints', [wrist]]])
  expect(grouped([fracture, wrist], 'bone')).toEqual([['Bone', [fracture]]])
})
