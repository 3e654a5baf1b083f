import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { alarm, changes, mounted, Refusal, served } from '../../specs/served'
import OwnTexts from './OwnTexts.vue'

const text = (key: string, words: string) => ({ key, title: key, where: 'on the first page', text: words })
const TEXTS = { texts: [text('greeting', 'Dear {{ name }},'), text('end', 'See you soon.')], names: ['name', 'minutes'] }
const shown = async (answer: unknown) => {
  const sent = served({ 'GET /texts': TEXTS, 'PUT /texts/greeting': answer })
  return { page: await mounted(OwnTexts), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
const words = (page: Page) => page.findAll('textarea').map((t) => (t.element as HTMLTextAreaElement).value)
async function write(page: Page, first: string): Promise<void> {
  await page.findAll('textarea')[0]!.setValue(first)
  await page.findAll('button')[0]!.trigger('click')
  await flushPromises()
}

it('says which names may stand in a text', async () => {
  const { page } = await shown(TEXTS)
  expect(page.text()).toContain('{{ name }} {{ minutes }}')
})

it('keeps one text, and not what is being written in another', async () => {
  const kept = { ...TEXTS, texts: [text('greeting', 'Hello {{ name }}'), TEXTS.texts[1]] }
  const { page, sent } = await shown(kept)
  await page.findAll('textarea')[1]!.setValue('half a sent')
  await write(page, 'Hello {{ name }}')
  expect(changes(sent)).toMatchObject([{ path: '/texts/greeting', body: { text: 'Hello {{ name }}' } }])
  expect(words(page)).toEqual(['Hello {{ name }}', 'half a sent'])
  expect(page.get('[role=status]').text()).toBe(say('papers.kept'))
  expect(page.emitted('kept')).toHaveLength(1)
})

it('a text with a name that nobody has is refused under itself', async () => {
  const { page } = await shown(new Refusal(422, 'there is no “nmae”'))
  await write(page, 'Hello {{ nmae }}')
  expect(alarm(page)).toBe('there is no “nmae”')
  expect(words(page)[0]).toBe('Hello {{ nmae }}')
  expect(page.emitted('kept')).toBeUndefined()
})
