import { expect, test } from 'vitest'
import type { ConditionForm, Field } from '../../api/schemas'
import { begun, grouped, unanswered } from './conditionForms'

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
    field('site', 'choice'),
    field('on', 'date'),
    field('healed', 'yes_no', { first: true, optional: true }),
    field('t', 'number', { optional: true }),
  ],
}
const wrist: ConditionForm = {
  kind: 'wrist_trouble',
  title: 'Painful wrist',
  group: 'Joints',
  about: '',
  asks: [field('side', 'choice'), field('tolerated_load_percent_bw', 'number', { optional: true })],
}

test('a condition begins with what counts where nothing is said, and with no answer that nobody gave', () => {
  expect(begun(fracture, '2026-11-24')).toEqual({ kind: 'fracture', noted_on: '2026-11-24', healed: true })
  expect(begun(wrist, '2026-11-24')).toEqual({ kind: 'wrist_trouble', noted_on: '2026-11-24' })
})

test('what has to be told is named until it is', () => {
  expect(unanswered(fracture, begun(fracture, '2026-11-24'))).toEqual(['site', 'on'])
  expect(unanswered(fracture, { site: 'wrist', on: '' })).toEqual(['on'])
  expect(unanswered(fracture, { site: 'wrist', on: '2026-11-01' })).toEqual([])
})

test('nought and no are answers', () => {
  const form = { ...wrist, asks: [field('level', 'count'), field('alone', 'yes_no')] }
  expect(unanswered(form, { level: 0, alone: false })).toEqual([])
})

test('what is typed finds conditions by name and group', () => {
  expect(grouped([fracture, wrist], '').map(([g]) => g)).toEqual(['Bone', 'Joints'])
  expect(grouped([fracture, wrist], 'wri')).toEqual([['Joints', [wrist]]])
  expect(grouped([fracture, wrist], 'bone')).toEqual([['Bone', [fracture]]])
})
