import { expect, it } from 'vitest'
import { flushPromises } from '@vue/test-utils'
import type { TestInfo } from '../../api/schemas'
import { alarm, changes, isOff, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import TestForm from './TestForm.vue'

const field = (name: string, kind: string, more: Record<string, unknown> = {}) => ({
  name,
  title: name,
  unit: 's',
  kind,
  low: 0,
  high: 120,
  optional: false,
  choices: [],
  first: null,
  ...more,
})
const test = (more: Record<string, unknown>): TestInfo =>
  ({ id: 'one_leg', title: 'One leg', timer: '', trials: '', per_side: false, fields: [field('seconds', 'number')], ...more }) as never
const shown = (of: TestInfo) => mounted(TestForm, { props: { test: of }, view: viewOf() })
const results = (sent: ReturnType<typeof served>) => changes(sent).map((s) => (s.body as { result: unknown }).result)
async function type(page: Awaited<ReturnType<typeof shown>>, value: string, name = 'seconds'): Promise<void> {
  await page.get(`input[name=${name}]`).setValue(value)
  await page.get(`input[name=${name}]`).trigger('change')
}
async function keepsTheRightSide(page: Awaited<ReturnType<typeof shown>>, sent: ReturnType<typeof served>): Promise<void> {
  await type(page, '4')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(results(sent)).toMatchObject([
    { side: 'left', seconds: 9 },
    { side: 'right', seconds: 4 },
  ])
}
const kept = { 'GET /clients/a': viewOf(), 'POST /clients/a/tests': viewOf({ revision: 4 }) }
const KEEP = 'Keep the result'

it('is kept once it is complete, with the day on which it was done', async () => {
  const sent = served(kept)
  const page = await shown(test({}))
  expect(isOff(page, KEEP)).toBe(true)
  await type(page, '12.5')
  await page.get('input[type=date]').setValue('2026-11-20')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(results(sent)).toEqual([{ test: 'one_leg', on: '2026-11-20', seconds: 12.5 }])
  expect(page.emitted('kept')).toHaveLength(1)
})

it('asks for the other side before it is done', async () => {
  const sent = served(kept)
  const page = await shown(test({ per_side: true }))
  await type(page, '9')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(page.emitted('kept')).toBeUndefined()
  expect((page.get('input[name=seconds]').element as HTMLInputElement).value).toBe('')
  await keepsTheRightSide(page, sent)
  expect(page.emitted('kept')).toHaveLength(1)
})

it('has no answer to a question before somebody gave it', async () => {
  served(kept)
  const choices = [
    { value: 'none', title: 'None' },
    { value: 'firm', title: 'Firm' },
  ]
  const page = await shown(test({ fields: [field('result', 'choice', { choices }), field('talks', 'yes_no')] }))
  expect(page.findAll('input[type=radio]').some((r) => (r.element as HTMLInputElement).checked)).toBe(false)
  await page.findAll('input[type=radio]')[1]!.setValue(true)
  expect(isOff(page, KEEP)).toBe(true)
  await page.findAll('input[type=radio]')[3]!.setValue(true)
  expect(isOff(page, KEEP)).toBe(false)
})

it('sends several trials instead of one number, without those that were taken out', async () => {
  const sent = served(kept)
  const page = await shown(test({ trials: 'mean' }))
  for (const seconds of ['10', '99', '12']) {
    await type(page, seconds)
    await press(page, 'Another')
  }
  expect(page.findAll('.trials .tag')).toHaveLength(3)
  await page.findAll('.trials .tag button')[1]!.trigger('click')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(results(sent)).toEqual([{ test: 'one_leg', on: '2026-11-28', trials: [10, 12] }])
})

it('keeps what was typed when the server refuses, and says why', async () => {
  const refusal = new Refusal(422, '', { faults: [{ path: '$.seconds', reason: 'more than a minute is not timed' }] })
  served({ ...kept, 'POST /clients/a/tests': refusal })
  const page = await shown(test({}))
  await type(page, '80')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toContain('more than a minute is not timed')
  expect((page.get('input[name=seconds]').element as HTMLInputElement).value).toBe('80')
  expect(page.emitted('kept')).toBeUndefined()
})

it('is sent once, however often the button is pressed', async () => {
  let answer = (): void => undefined
  const sent = served({ ...kept, 'POST /clients/a/tests': () => new Promise((done) => (answer = () => done(viewOf({ revision: 4 })))) })
  const page = await shown(test({}))
  await type(page, '12')
  await page.get('form').trigger('submit')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(isOff(page, KEEP)).toBe(true)
  answer()
  await flushPromises()
  expect(results(sent)).toHaveLength(1)
})

it('leaves alone what somebody began while the last result was sent', async () => {
  let answer = (): void => undefined
  served({ ...kept, 'POST /clients/a/tests': () => new Promise((done) => (answer = () => done(viewOf({ revision: 4 })))) })
  const page = await shown(test({}))
  await type(page, '12')
  await page.get('form').trigger('submit')
  await page.setProps({ test: test({ id: 'another' }) })
  await type(page, '31')
  answer()
  await flushPromises()
  expect(page.emitted('kept')).toBeUndefined()
  expect((page.get('input[name=seconds]').element as HTMLInputElement).value).toBe('31')
})

const typed = (page: Awaited<ReturnType<typeof shown>>) => (page.get('input[name=seconds]').element as HTMLInputElement).value

it('gives back what was typed for one test when another was looked at, and tells neither of the other', async () => {
  served(kept)
  const page = await shown(test({ per_side: true, trials: 'mean' }))
  await type(page, '8')
  await press(page, 'Another')
  await type(page, '12')
  await page.findAll('input[type=radio]')[1]!.setValue(true)
  await page.get('input[type=date]').setValue('2026-11-20')
  await page.setProps({ test: test({ id: 'another' }) })
  expect(typed(page)).toBe('')
  expect(page.findAll('.trials .tag')).toHaveLength(0)
  await page.setProps({ test: test({ per_side: true, trials: 'mean' }) })
  expect(typed(page)).toBe('12')
  expect(page.get('.trials').text()).toContain('8')
  expect((page.findAll('input[type=radio]')[1]!.element as HTMLInputElement).checked).toBe(true)
  expect((page.get('input[type=date]').element as HTMLInputElement).value).toBe('2026-11-20')
})

it.each([
  [
    'is named and there again when it was refused after another test was opened',
    new Refusal(422, 'too long'),
    '12.5',
    'One leg was not kept',
  ],
  ['is gone once it was kept after another test was opened', viewOf({ revision: 4 }), '', ''],
])('a result %s', async (_, given, left, told) => {
  let answer: (it: unknown) => void = () => undefined
  served({ ...kept, 'POST /clients/a/tests': () => new Promise((done) => (answer = done)) })
  const page = await shown(test({}))
  await type(page, '12.5')
  await page.get('form').trigger('submit')
  await flushPromises()
  await page.setProps({ test: test({ id: 'gait', title: 'Walking pace' }) })
  answer(given)
  await flushPromises()
  expect(page.findAll('[role=alert]').map((a) => a.text().includes(told))).toEqual(told ? [true] : [])
  await page.setProps({ test: test({}) })
  expect(typed(page)).toBe(left)
})

it('goes on with the other side when the first was kept after another test was opened', async () => {
  let answer: (it: unknown) => void = () => undefined
  const sent = served({ ...kept, 'POST /clients/a/tests': () => new Promise((done) => (answer = done)) })
  const page = await shown(test({ per_side: true }))
  await type(page, '9')
  await page.get('form').trigger('submit')
  await flushPromises()
  await page.setProps({ test: test({ id: 'gait' }) })
  answer(viewOf({ revision: 4 }))
  await flushPromises()
  await page.setProps({ test: test({ per_side: true }) })
  expect(typed(page)).toBe('')
  await keepsTheRightSide(page, sent)
})

it('is empty again for the next time once its result is kept', async () => {
  served(kept)
  const page = await shown(test({}))
  await type(page, '12')
  await page.get('form').trigger('submit')
  await flushPromises()
  await page.setProps({ test: test({ id: 'another' }) })
  await page.setProps({ test: test({}) })
  expect(typed(page)).toBe('')
})

it('tries do not answer for what else is asked, and what is open is named', async () => {
  const sent = served(kept)
  const fields = [field('seconds', 'number'), field('arms_used', 'yes_no', { title: 'Arms used' })]
  const page = await shown(test({ trials: 'largest', fields }))
  expect(page.text()).not.toContain('Still to be told')
  await type(page, '12')
  await press(page, 'Another trial')
  expect(page.text()).toContain('Still to be told: Arms used')
  expect(isOff(page, KEEP)).toBe(true)
  await page.findAll('input[type=radio]')[1]!.setValue(true)
  expect(page.text()).not.toContain('Still to be told')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(results(sent)).toMatchObject([{ trials: [12], arms_used: false }])
})
