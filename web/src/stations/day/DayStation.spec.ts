import { expect, it, vi } from 'vitest'
import { say } from '../../i18n'
import { alarm, mounted, press, served, UNREACHABLE } from '../../specs/served'
import DayStation from './DayStation.vue'

const line = (id: string, more: Record<string, unknown> = {}) => ({
  id,
  name: `Client ${id}`,
  age_years: 74,
  conditions: ['Low bone mass'],
  station: 'measure',
  action: 'Measure blood pressure',
  tone: '',
  visit_on: null,
  visit_at: null,
  ...more,
})
const LINES = [
  line('a', { visit_on: '2026-11-28', visit_at: '09:30' }),
  line('b', { visit_on: '2026-11-26', visit_at: '10:00' }),
  line('c', { visit_on: '2026-12-02', visit_at: '11:00' }),
  line('d'),
]
const shown = async (answer: unknown = { today: '2026-11-28', lines: LINES, more: false }) => {
  const sent = served({ 'GET /day': answer, 'GET /reference': {} })
  return { page: await mounted(DayStation), sent }
}

it('says when each visit is: the hour today, the day otherwise, and what was missed', async () => {
  const { page } = await shown()
  const when = page.findAll('.when').map((w) => w.text())
  expect(when[0]).toBe('09:30')
  expect(when[1]).toContain('26 Nov')
  expect(when[1]).toContain(say('day.missed'))
  expect(when[2]).toContain('2 Dec')
  expect(when[2]).toContain('11:00')
  expect(when[3]).toBe('—')
})

it('leads to the one thing that each client needs next', async () => {
  const { page } = await shown()
  expect(page.findAll('.list a').map((a) => a.attributes('href'))[0]).toBe('/client/a/measure')
  expect(page.findAll('.list a')[0]!.text()).toContain('Measure blood pressure')
})

it('searches when the typing has paused, from the first page on', async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  const asked: string[] = []
  const real = { today: '2026-11-28', lines: LINES, more: true }
  const { page } = await shown(() => real)
  const before = globalThis.fetch
  vi.stubGlobal('fetch', (request: Request) => {
    if (request.url?.includes('/day')) asked.push(new URL(request.url).search)
    return before(request)
  })
  await press(page, say('day.after'))
  for (const typed of ['b', 'br', 'bra']) await page.get('input').setValue(typed)
  await vi.advanceTimersByTimeAsync(300)
  vi.useRealTimers()
  expect(asked).toEqual(['?find=&page=2', '?find=bra&page=1'])
})

it('tells an empty house from a name that nobody has', async () => {
  const { page } = await shown({ today: '2026-11-28', lines: [], more: false })
  expect(page.text()).toContain(say('day.empty'))
  expect(page.text()).not.toContain(say('day.none'))
})

it('without a network says so, and tries again when it is asked', async () => {
  const { page, sent } = await shown(UNREACHABLE)
  expect(alarm(page)).toContain('cannot be reached')
  await press(page, say('app.again'))
  expect(sent.filter((s) => s.path === '/day')).toHaveLength(2)
})
