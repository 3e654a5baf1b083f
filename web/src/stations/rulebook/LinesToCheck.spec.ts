import { expect, it } from 'vitest'
import type { Action } from '../../api/schemas'
import { alarm, changes, isOff, mounted, press, Refusal, served } from '../../specs/served'
import LinesToCheck from './LinesToCheck.vue'

const signature = (more: Record<string, unknown> = {}) => ({
  agrees: true,
  name: 'Dr Moss',
  profession: 'physician',
  on: '2026-11-21',
  remark: '',
  still_the_same: true,
  ...more,
})
const line = (rule: string, number: string, more: Record<string, unknown> = {}) => ({
  rule,
  number,
  title: rule,
  says: `${rule} ${number} is so much`,
  value: 10,
  unit: 'deg',
  source: 'a book',
  doubt: 'ours',
  check_by: 'physician',
  digest: `${rule}-${number}`,
  signature: null,
  ...more,
})
const LINES = [
  line('thin', 'deg'),
  line('thin', 'kg', { doubt: 'memory', signature: signature() }),
  line('hip', 'weeks', { doubt: 'memory', check_by: 'physiotherapist', signature: signature({ still_the_same: false }) }),
]
const shown = async (answers: Record<string, unknown> = {}, may: Action[] = ['sign_rules']) => {
  const sent = served({ 'GET /rulebook/lines': { lines: LINES }, ...answers })
  return { page: await mounted(LinesToCheck, { may }), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
const lines = (page: Page) => page.findAll('.line').map((l) => l.attributes('data-line'))
async function named(page: Page): Promise<void> {
  const [name, profession] = page.findAll('input')
  await name!.setValue('Dr Hale')
  await profession!.setValue('physician')
}

it('shows what waits: what nobody signed, and what was changed since', async () => {
  const { page } = await shown()
  expect(lines(page)).toEqual(['thin.deg', 'hip.weeks'])
  expect(page.get('[data-testid=signed]').text()).toContain('1')
  await page.get('input[type=checkbox]').setValue(false)
  expect(lines(page)).toEqual(['thin.deg', 'thin.kg', 'hip.weeks'])
})

it('by why it is doubted, and by who should look', async () => {
  const { page } = await shown()
  await page.findAll('[role=group] .quiet-action')[2]!.trigger('click')
  expect(lines(page)).toEqual(['hip.weeks'])
  await page.findAll('[role=group] .quiet-action')[2]!.trigger('click')
  await press(page, 'physiotherapist')
  expect(lines(page)).toEqual(['hip.weeks'])
})

it('is signed as it was read, by somebody with a name', async () => {
  const { page, sent } = await shown({ 'POST /rulebook/lines': line('thin', 'deg', { signature: signature({ name: 'Dr Hale' }) }) })
  expect(isOff(page, 'Agree')).toBe(true)
  await named(page)
  await press(page, 'Agree')
  expect(changes(sent)[0]!.body).toMatchObject({ rule: 'thin', number: 'deg', digest: 'thin-deg', agrees: true, name: 'Dr Hale' })
  expect(lines(page)).toEqual(['hip.weeks'])
})

it('an objection has a reason, and can be left', async () => {
  const { page, sent } = await shown({ 'POST /rulebook/lines': line('thin', 'deg', { signature: signature({ agrees: false }) }) })
  await named(page)
  await press(page, 'Object')
  expect(isOff(page, 'Keep the objection')).toBe(true)
  await page.get('textarea').setValue('this is for another scale')
  expect(isOff(page, 'Keep the objection')).toBe(false)
  await press(page, 'Never mind')
  expect(page.find('textarea').exists()).toBe(false)
  await press(page, 'Object')
  await page.get('textarea').setValue('this is for another scale')
  await press(page, 'Keep the objection')
  expect(changes(sent)[0]!.body).toMatchObject({ agrees: false, remark: 'this is for another scale' })
})

it('a line that changed while it was read is fetched anew', async () => {
  const { page, sent } = await shown({ 'POST /rulebook/lines': new Refusal(409, 'the line was changed') })
  await named(page)
  await press(page, 'Agree')
  expect(alarm(page)).toBe('the line was changed')
  expect(sent.filter((s) => s.method === 'GET')).toHaveLength(2)
})

it('who may not sign only reads', async () => {
  const { page } = await shown({}, [])
  await named(page)
  expect(isOff(page, 'Agree')).toBe(true)
})
