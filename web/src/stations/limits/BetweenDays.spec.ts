import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { alarm, mounted, Refusal, served, viewOf } from '../../specs/served'
import BetweenDays from './BetweenDays.vue'

const stood = (day: string, more: Record<string, unknown> = {}) => ({
  day,
  programme: '',
  limits: ['one', 'two'],
  movements: [],
  reason: 'tests',
  entered_at: `${day}T10:00:00Z`,
  by: 'Ann Weaver',
  stop_signs: [],
  ...more,
})
const NOTHING = { limits: [], came: [], went: [], opened: [], closed: [] }
const [FIRST, SECOND] = ['2026-10-03', '2026-11-28']
const shown = async (answer: unknown) => {
  const sent = served({ 'GET /clients/a': viewOf(), [`GET /clients/a/between/${FIRST}/${SECOND}`]: answer })
  const page = await mounted(BetweenDays, { view: viewOf() })
  await page.findAll('input')[0]!.setValue(FIRST)
  return { page, sent }
}
async function look(page: Awaited<ReturnType<typeof shown>>['page']): Promise<void> {
  await page.get('form').trigger('submit')
  await flushPromises()
}

it('compares up to today, and no day before the first', async () => {
  const { page } = await shown(NOTHING)
  const [first, second] = page.findAll('input')
  expect((second!.element as HTMLInputElement).value).toBe(SECOND)
  expect(second!.attributes('max')).toBe(SECOND)
  expect(first!.attributes('max')).toBe(SECOND)
})

it('says how it stood, who entered it, and what moved from what to what', async () => {
  const limits = [
    { id: 'x', change: 'moved', was: 'at most 10°', says: 'at most 20°' },
    { id: 'y', change: 'new', was: '', says: 'no rolling' },
  ]
  const days = { first: stood(FIRST), second: stood(SECOND, { programme: 'p', movements: ['hinge'], stop_signs: ['chest pain'] }) }
  const { page } = await shown({ ...NOTHING, ...days, limits, opened: ['Tall hinge'] })
  await look(page)
  for (const words of ['3 Oct 2026', 'Ann Weaver', 'at most 10°', 'at most 20°', 'no rolling', 'chest pain', 'Tall hinge']) {
    expect(page.text()).toContain(words)
  }
  expect(page.text().match(/→/g)).toHaveLength(1) // what is new was nothing before
})

it('a long list is folded', async () => {
  const opened = Array.from({ length: 30 }, (_, i) => `Step ${i}`)
  const { page } = await shown({ ...NOTHING, first: stood(FIRST), second: stood(SECOND), opened, closed: ['Curl'] })
  await look(page)
  expect(page.findAll('details').map((d) => d.attributes('open') !== undefined)).toEqual([false, true])
})

it('says that nothing changed', async () => {
  const { page } = await shown({ ...NOTHING, first: stood(FIRST), second: stood(SECOND) })
  await look(page)
  expect(page.text()).toContain(say('between.same'))
})

it('a day before the first entry is refused in words', async () => {
  const { page } = await shown(new Refusal(404, 'nothing was kept of that day'))
  await look(page)
  expect(alarm(page)).toBe('nothing was kept of that day')
  expect(page.find('details').exists()).toBe(false)
})
