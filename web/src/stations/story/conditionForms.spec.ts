import { expect, test } from 'vitest'
import { begun, CONDITIONS } from './conditionForms'

test('a condition begins with its first answers and today as its date', () => {
  const fracture = begun(CONDITIONS.find((c) => c.kind === 'fracture')!, '2026-11-24')
  expect(fracture).toMatchObject({ kind: 'fracture', on: '2026-11-24', site: 'wrist', healed: true })
})

test('tolerated values that nobody tested are left out, so that the core stays cautious', () => {
  expect(begun(CONDITIONS.find((c) => c.kind === 'wrist_trouble')!, '2026-11-24')).toEqual({ kind: 'wrist_trouble', side: 'left' })
})
