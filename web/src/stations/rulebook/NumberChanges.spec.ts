import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Action } from '../../api/schemas'
import { alarm, changes, isOff, mounted, press, Refusal, served } from '../../specs/served'
import NumberChanges from './NumberChanges.vue'

const line = (number: string, more: Record<string, unknown> = {}) => ({
  rule: 'thin',
  number,
  title: 'Thin bones',
  says: 'rounding',
  was: 10,
  value: 5,
  unit: 'deg',
  check_by: 'physician',
  signature: null,
  ...more,
})
const change = (more: Record<string, unknown> = {}) => ({
  id: 'c-1',
  reason: 'the hospital nearby counts so',
  asked_by: 'ben',
  on: '2026-11-20',
  state: null,
  own: false,
  lines: [line('deg')],
  ...more,
})
const FOUND = { clients: [], untouched: 3, unreadable: [] }
const MAY: Action[] = ['sign_rules', 'try_rules', 'read_rules'] as Action[]
const EFFECT = 'GET /rulebook/changes/c-1/effect'
const shown = async (one = change(), answers: Record<string, unknown> = {}, may = MAY) => {
  const sent = served({ [EFFECT]: FOUND, ...answers })
  return { page: await mounted(NumberChanges, { props: { changes: [one] }, may }), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
const says = (page: Page) => page.findAll('button').map((b) => b.text())
async function named(page: Page): Promise<void> {
  const [name, profession] = page.findAll('input')
  await name!.setValue('Dr Hale')
  await profession!.setValue('physician')
}

it('nobody agrees before having seen what it does to each client', async () => {
  const { page, sent } = await shown()
  expect(says(page)).not.toContain('Agree')
  await press(page, 'See what it does')
  expect(sent.map((s) => s.path)).toEqual(['/rulebook/changes/c-1/effect'])
  expect(says(page)).toContain('Agree')
})

it('a signature has a name and a profession', async () => {
  const { page, sent } = await shown(change(), { 'POST /rulebook/changes/c-1/signatures': {} })
  await press(page, 'See what it does')
  expect(
    page
      .findAll('button')
      .find((b) => b.text() === 'Agree')!
      .attributes('disabled'),
  ).toBeDefined()
  await named(page)
  await press(page, 'Agree')
  expect(changes(sent)[0]!.body).toEqual({
    rule: 'thin',
    number: 'deg',
    agrees: true,
    remark: '',
    name: 'Dr Hale',
    profession: 'physician',
  })
  expect(page.emitted('changed')).toHaveLength(1)
})

it('an objection stands at its line, with a reason, and stays where it was refused', async () => {
  const refused = { 'POST /rulebook/changes/c-1/signatures': new Refusal(409, 'the figure moved in between') }
  const { page, sent } = await shown(change({ lines: [line('deg'), line('kg')] }), refused)
  await press(page, 'See what it does')
  await named(page)
  const [, second] = page.findAll('.line')
  await second!
    .findAll('button')
    .find((b) => b.text() === 'Object')!
    .trigger('click')
  expect(page.findAll('textarea')).toHaveLength(1)
  expect(isOff(page, 'Keep the objection')).toBe(true)
  await second!.get('textarea').setValue('this is for another scale')
  await press(page, 'Keep the objection')
  expect(changes(sent)[0]!.body).toMatchObject({ number: 'kg', agrees: false, remark: 'this is for another scale' })
  expect(alarm(page)).toBe('the figure moved in between')
  expect((page.get('textarea').element as HTMLTextAreaElement).value).toBe('this is for another scale')
})

it('who asked for it does not sign it', async () => {
  const { page } = await shown(change({ own: true }))
  await press(page, 'See what it does')
  expect(says(page)).not.toContain('Agree')
})

it('who may not sign sees what it does, and who wants it', async () => {
  const { page } = await shown(change(), {}, ['try_rules'] as Action[])
  await press(page, 'See what it does')
  expect(page.text()).toContain('the hospital nearby counts so')
  expect(page.text()).toContain('ben')
  expect(says(page)).not.toContain('Agree')
})

it('a line that is signed is not signed twice', async () => {
  const signature = { agrees: true, name: 'Dr Moss', profession: 'physician', on: '2026-11-21', remark: '', still_the_same: true }
  const { page } = await shown(change({ lines: [line('deg', { signature }), line('kg')] }))
  await press(page, 'See what it does')
  expect(says(page).filter((b) => b === 'Agree')).toHaveLength(1)
  expect(page.text()).toContain('Dr Moss')
})

it('what is over is neither signed nor looked at again', async () => {
  const { page } = await shown(change({ state: 'rolled_back', state_on: '2026-11-22', state_by: 'Ann', state_reason: 'too strict' }))
  expect(page.findAll('.change button')).toHaveLength(0)
  expect(page.text()).toContain('too strict')
})

it('says why a signature was refused', async () => {
  const { page } = await shown(change(), { 'POST /rulebook/changes/c-1/signatures': new Refusal(409, 'the figure moved in between') })
  await press(page, 'See what it does')
  await named(page)
  await press(page, 'Agree')
  await flushPromises()
  expect(alarm(page)).toBe('the figure moved in between')
  expect(page.emitted('changed')).toBeUndefined()
})
