import { expect, it } from 'vitest'
import type { ConditionForm, Field } from '../../api/schemas'
import { mounted, press, served } from '../../specs/served'
import ConditionCard from './ConditionCard.vue'
import { begun } from './conditionForms'

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
const SIDES = [
  { value: 'left', title: 'Left' },
  { value: 'right', title: 'Right' },
]
const STROKE: ConditionForm = {
  kind: 'stroke',
  title: 'Stroke',
  group: 'Nerves',
  about: '',
  asks: [
    field('side', 'choice', { title: 'Weaker side', choices: SIDES }),
    field('on', 'date', { title: 'When' }),
    field('walks', 'yes_no', { title: 'Walks', first: false, optional: true }),
    field('load', 'number', { title: 'Load', optional: true, high: 90 }),
  ],
}
const shown = (told: Record<string, unknown>) => mounted(ConditionCard, { props: { form: STROKE, today: '2026-11-28', modelValue: told } })
const last = (page: Awaited<ReturnType<typeof shown>>) => page.emitted('update:modelValue')!.at(-1)![0]

it('begins with no answer that nobody gave, and names what has to be told', async () => {
  served({})
  const page = await shown(begun(STROKE, '2026-11-28'))
  const taken = page.findAll('input[type=radio]').filter((r) => (r.element as HTMLInputElement).checked)
  expect(taken).toHaveLength(1) // what counts unless it is said
  expect(page.text()).toContain('Weaker side, When')
})

it('names nothing once everything is told', async () => {
  served({})
  const page = await shown({ ...begun(STROKE, '2026-11-28'), side: 'left', on: '2026-01-01' })
  expect(page.find('.open').exists()).toBe(false)
})

it('takes an answer, and takes it back', async () => {
  served({})
  const told = { ...begun(STROKE, '2026-11-28'), load: 40 }
  const page = await shown(told)
  await page.findAll('input[type=radio]')[1]!.setValue(true)
  expect(last(page)).toEqual({ ...told, side: 'right' })
  await page.get('input[type=date]').setValue('2026-03-04')
  expect(last(page)).toEqual({ ...told, side: 'right', on: '2026-03-04' })
  const number = page.get('.number input')
  await number.setValue('')
  await number.trigger('change')
  expect(last(page)).not.toHaveProperty('load') // not nought: nobody knows
})

it('is taken away by whoever brought it by mistake', async () => {
  served({})
  const page = await shown(begun(STROKE, '2026-11-28'))
  await press(page, 'Take out')
  expect(page.emitted('remove')).toHaveLength(1)
})
