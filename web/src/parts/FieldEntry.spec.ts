import { expect, it } from 'vitest'
import type { Field } from '../api/schemas'
import { mounted, press, served } from '../specs/served'
import FieldEntry from './FieldEntry.vue'

const field = (kind: string, more: Partial<Field> = {}): Field => ({
  name: 'what',
  title: 'What',
  unit: '',
  kind,
  low: 0,
  high: 0,
  optional: false,
  choices: [],
  first: null,
  ...more,
})
const several = (n: number) => Array.from({ length: n }, (_, i) => ({ value: `v${i}`, title: `Choice ${i}` }))
const shown = (of: Field, modelValue?: unknown) => {
  served({})
  return mounted(FieldEntry, { props: { field: of, id: 'form', today: '2026-11-28', named: true, modelValue } })
}
const last = (page: Awaited<ReturnType<typeof shown>>) => page.emitted('update:modelValue')!.at(-1)![0]

it('a few choices stand side by side, many in a list', async () => {
  const few = await shown(field('choice', { choices: several(6) }))
  expect(few.findAll('input[type=radio]')).toHaveLength(6)
  const many = await shown(field('choice', { choices: several(7) }))
  expect(many.findAll('[role=option]')).toHaveLength(7)
  await press(many, 'Choice 3')
  expect(last(many)).toBe('v3')
})

it('several may be chosen, and let go again', async () => {
  const page = await shown(field('choices', { choices: several(3) }), ['v0'])
  await press(page, 'Choice 2')
  expect(last(page)).toEqual(['v0', 'v2'])
  await press(page, 'Choice 0')
  expect(last(page)).toEqual(['v2'])
})

it('nobody has said yes or no before it is said', async () => {
  const page = await shown(field('yes_no'))
  expect(page.findAll('input[type=radio]').some((r) => (r.element as HTMLInputElement).checked)).toBe(false)
  await page.findAll('input[type=radio]')[1]!.setValue(true)
  expect(last(page)).toBe(false)
})

it('a day is never in the future', async () => {
  const page = await shown(field('date'))
  expect(page.get('input').attributes('max')).toBe('2026-11-28')
  await page.get('input').setValue('2026-11-01')
  expect(last(page)).toBe('2026-11-01')
})

it('a number goes on as it was typed, with its bounds and its unit beside it', async () => {
  const page = await shown(field('number', { low: 10, high: 60, unit: 'cm' }))
  await page.get('input').setValue('900')
  await page.get('input').trigger('change')
  expect(last(page)).toBe(900)
  expect(page.get('[role=alert]').text()).toBe('900 is more than 60')
  expect(page.text()).toContain('cm')
})

it('a count is whole', async () => {
  const count = await shown(field('count', { high: 40 }))
  await count.get('input').setValue('7.6')
  await count.get('input').trigger('change')
  expect(count.get('[role=alert]').text()).toBe('7.6 is no whole number')
})

it('is called what it asks, for who does not see it', async () => {
  const page = await shown(field('text'))
  const label = page.get('input').attributes('aria-labelledby')!
  expect(page.get(`[id="${label}"]`).text()).toBe('What')
})
