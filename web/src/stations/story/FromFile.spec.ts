import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { say } from '../../i18n'
import FilePick from '../../parts/FilePick.vue'
import { alarm, changes, mounted, Refusal, served } from '../../specs/served'
import FromFile from './FromFile.vue'

const MADE = { id: 'new-one', left_out: [{ path: 'entry 4', reason: 'no such code' }] }
const shown = async (answers: Record<string, unknown> = {}) => {
  const sent = served({ 'POST /client-bundles': MADE, 'POST /client-files': MADE, 'POST /clients': { id: 'new-one' }, ...answers })
  return { page: await mounted(FromFile), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
async function pick(page: Page, content: unknown): Promise<void> {
  const text = typeof content === 'string' ? content : JSON.stringify(content)
  const file = new File([text], 'client.json')
  file.text = async () => text // jsdom knows no text of a file
  page.getComponent(FilePick).vm.$emit('chosen', file)
  for (let i = 0; i < 4; i++) await flushPromises()
}

it.each([
  ['a bundle of another program', { resourceType: 'Bundle', entry: [] }, '/client-bundles', 'bundle'],
  ['a file that was taken out here', { revisions: [] }, '/client-files', 'file'],
  ['a case', { person: {} }, '/clients', 'case'],
])('%s goes to where it is read', async (_, data, path, key) => {
  const { page, sent } = await shown()
  await pick(page, data)
  expect(changes(sent)).toEqual([{ method: 'POST', path, body: { [key]: data } }])
  expect(page.html()).toContain('new-one')
})

it('says what of it was not taken', async () => {
  const { page } = await shown()
  await pick(page, { resourceType: 'Bundle' })
  expect(page.text()).toContain('no such code')
})

it.each([['no JSON {'], ['[1, 2]'], ['null'], ['"words"']])('%s is no client, and nothing is sent', async (content) => {
  const { page, sent } = await shown()
  await pick(page, content)
  expect(alarm(page)).toContain(say('exchange.noJson'))
  expect(changes(sent)).toEqual([])
})

it('a refused case names field and reason once', async () => {
  const faults = [{ path: '$.person.mass_kg', reason: 'at least 14' }]
  const { page } = await shown({ 'POST /clients': new Refusal(422, '', { faults }) })
  await pick(page, { person: {} })
  expect(page.text().match(/at least 14/g)).toHaveLength(1)
  expect(page.html()).not.toContain('new-one')
})

it('the next file begins without what was said of the last', async () => {
  const { page } = await shown({ 'POST /clients': new Refusal(422, '', { faults: [{ path: '$', reason: 'no case' }] }) })
  await pick(page, { person: {} })
  await pick(page, { resourceType: 'Bundle' })
  expect(page.text()).not.toContain('no case')
  expect(page.html()).toContain('new-one')
})
