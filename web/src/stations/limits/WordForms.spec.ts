import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Action } from '../../api/schemas'
import { alarm, changes, isOff, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import WordForms from './WordForms.vue'

const view = viewOf({ screen: { sign_offs: [{ clears: 'new_hip.first_weeks', title: 'New hip, first weeks' }] } })
const reference = {
  professions: [
    { id: 'physician', may_clear: true },
    { id: 'nurse', may_clear: false },
  ],
  movements: [{ family: 'hinge', step: 'tall', title: 'Tall hinge' }],
  quantities: [
    { id: 'trunk_flexion_deg', title: 'Rounding the back', unit: 'deg', sided: false },
    { id: 'hip_flexion_deg', title: 'Bending the hip', unit: 'deg', sided: true },
  ],
}
const shown = (may: Action[] = [], props: Record<string, unknown> = {}) => mounted(WordForms, { view, reference, may, props })
type Page = Awaited<ReturnType<typeof shown>>
async function told(page: Page): Promise<void> {
  await page.get('input[name=word-name]').setValue('Dr Hale')
  await page.get('input[name=word-role]').setValue('surgeon')
}
async function number(page: Page, value: string): Promise<void> {
  await page.get('input[inputmode=decimal]').setValue(value)
  await page.get('input[inputmode=decimal]').trigger('change')
}
const KEEP = 'Keep'
const entry = (sent: ReturnType<typeof served>) =>
  Object.values((changes(sent)[0]!.body as { sections: Record<string, unknown[]> }).sections)[0]!.at(-1)

it('a limit has a name, a role, a measure and a number', async () => {
  const sent = served({ 'GET /clients/a': view, 'PATCH /clients/a': viewOf({ revision: 4 }) })
  const page = await shown()
  await told(page)
  expect(isOff(page, KEEP)).toBe(true)
  await press(page, 'Rounding the back')
  expect(isOff(page, KEEP)).toBe(true)
  await number(page, '0')
  expect(isOff(page, KEEP)).toBe(false) // nought is a number
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(entry(sent)).toMatchObject({
    kind: 'limits',
    name: 'Dr Hale',
    role: 'surgeon',
    quantity: 'trunk_flexion_deg',
    bound: 0,
    on: '2026-11-28',
  })
  expect(entry(sent)).not.toHaveProperty('side')
  expect(page.emitted('kept')).toHaveLength(1)
})

it('a side is sent only for what has sides', async () => {
  const sent = served({ 'GET /clients/a': view, 'PATCH /clients/a': viewOf({ revision: 4 }) })
  const page = await shown()
  await told(page)
  await press(page, 'Bending the hip')
  await press(page, 'Right')
  await number(page, '90')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(entry(sent)).toMatchObject({ quantity: 'hip_flexion_deg', side: 'right', bound: 90 })
})

it('forbidding needs no number, but what it is about', async () => {
  const sent = served({ 'GET /clients/a': view, 'PATCH /clients/a': viewOf({ revision: 4 }) })
  const page = await shown()
  await page.get('input[type=radio][value=forbids]').setValue(true)
  await told(page)
  expect(isOff(page, KEEP)).toBe(true)
  await press(page, 'Tall hinge')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(entry(sent)).toMatchObject({ kind: 'forbids', step: 'hinge/tall' })
})

it('who is not a clinician only reports a clearance, with the paper that says it', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown([], { clears: 'new_hip.first_weeks' })
  await told(page)
  await press(page, 'Physician')
  expect(isOff(page, KEEP)).toBe(true)
  const paper = page.findAll('label').find((l) => l.text().startsWith('Document'))!
  await paper.get('input').setValue('letter of 20 November')
  expect(isOff(page, KEEP)).toBe(false)
})

it('a profession that may not clear is told so', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown(['lift_forbidden'], { clears: 'new_hip.first_weeks' })
  await told(page)
  await press(page, 'Nurse')
  expect(isOff(page, KEEP)).toBe(true)
  expect(
    page
      .findAll('.bad')
      .map((b) => b.text())
      .join(),
  ).not.toBe('')
  await press(page, 'Physician')
  expect(isOff(page, KEEP)).toBe(false)
})

it('a refusal names field and reason, and the form stays as it was filled', async () => {
  const refusal = new Refusal(422, '', { faults: [{ path: '$.clinician_words[0].bound', reason: 'at most 180' }] })
  served({ 'GET /clients/a': view, 'PATCH /clients/a': refusal })
  const page = await shown()
  await told(page)
  await press(page, 'Rounding the back')
  await number(page, '500')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toBe('clinician words 1, bound: at most 180')
  expect((page.get('input[name=word-name]').element as HTMLInputElement).value).toBe('Dr Hale')
  expect(page.emitted('kept')).toBeUndefined()
})
