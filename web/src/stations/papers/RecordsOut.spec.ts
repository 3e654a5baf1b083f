import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import FilePick from '../../parts/FilePick.vue'
import { alarm, changes, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import RecordsOut from './RecordsOut.vue'

const TESTS = 'POST /clients/a/tables/tests'
const VISITS = 'POST /clients/a/tables/visits'
const shown = async (answers: Record<string, unknown> = {}, set_up = false) => {
  const sent = served({ 'GET /clients/a': viewOf(), 'GET /referrer': { set_up }, ...answers })
  return { page: await mounted(RecordsOut, { view: viewOf() }), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
async function pick(page: Page, at: number, text: string): Promise<void> {
  const file = new File([text], 'table.csv')
  file.text = async () => text // jsdom knows no text of a file
  page.findAllComponents(FilePick)[at]!.vm.$emit('chosen', file)
  await flushPromises()
  await flushPromises()
}

it('hands out everything under its own address', async () => {
  const { page } = await shown()
  const doors = page.findAll('a').map((a) => a.attributes('href'))
  expect(doors).toEqual([
    '/api/v1/clients/a/file',
    '/api/v1/clients/a/fhir',
    '/api/v1/clients/a/tables/tests.csv',
    '/api/v1/clients/a/tables/visits.csv',
    '/api/v1/tables/dictionary.csv',
  ])
})

it('takes tests onto the client as it is on screen, and says what could not be taken', async () => {
  const left_out = [{ path: 'row 3, value', reason: 'not a number' }]
  const { page, sent } = await shown({ [TESTS]: { taken: 2, left_out } })
  await pick(page, 0, 'test,on\n')
  expect(changes(sent)).toMatchObject([{ path: '/clients/a/tables/tests', body: { base_revision: 3, table: 'test,on\n' } }])
  expect(page.get('[role=status]').text()).toContain('2')
  expect(page.text()).toContain('not a number')
})

it('visits go by themselves, since nothing that was judged depends on who was first', async () => {
  const { page, sent } = await shown({ [VISITS]: { taken: 1, left_out: [] } })
  await pick(page, 1, 'visit,on\n')
  expect(changes(sent)[0]!.body).toEqual({ table: 'visit,on\n' })
})

it('a table that is none is refused, and an earlier answer does not stay under it', async () => {
  let answer: unknown = { taken: 2, left_out: [] }
  const { page } = await shown({ [TESTS]: () => answer })
  await pick(page, 0, 'test,on\n')
  answer = new Refusal(422, 'there is no column “test”')
  await pick(page, 0, 'x\n')
  expect(alarm(page)).toBe('there is no column “test”')
  expect(page.find('[role=status]').exists()).toBe(false)
})

it('offers to send to a referrer only where a server of one is named', async () => {
  const without = await shown()
  expect(without.page.findAll('button').some((b) => b.text().includes('referrer'))).toBe(false)
  const { page, sent } = await shown({ 'POST /clients/a/referrer': {} }, true)
  await press(page, 'referrer')
  expect(changes(sent)[0]!.path).toBe('/clients/a/referrer')
  expect(page.get('[role=status]').text()).not.toBe('')
})
