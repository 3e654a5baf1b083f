import { expect, it, vi } from 'vitest'
import { speak } from '../../i18n'
import { useProgramme } from '../../stores/programme'
import { mounted, served, viewOf } from '../../specs/served'
import WeekView from './WeekView.vue'

const session = (day: number, letter: string, rows: number[], light = false) => ({ day, letter, at: '09:30', minutes: 24.4, rows, light })
const WEEK = {
  sessions: [session(0, 'A', [0, 1]), session(2, 'B', [1]), session(2, 'A', [0], true)],
  short: { balance: 'two days of three' },
}
const MOVES = [{ title: 'Tall hinge: hands on the thighs' }, { title: 'Heel raise: hands hover' }]
const PROGRAMME = {
  client: 'a',
  id: 'p',
  number: 1,
  context: 'home',
  answer: { movements: [] },
  violations: [],
  can_undo: false,
  can_redo: false,
}
const shown = async () => {
  const sent = served({
    'GET /clients/a': viewOf(),
    'GET /clients/a/programmes/latest': PROGRAMME,
    'GET /clients/a/programmes/latest/week': WEEK,
  })
  const page = await mounted(WeekView, { view: viewOf(), props: { moves: MOVES, days: 2, number: 1 } })
  await useProgramme().open()
  await vi.waitFor(() => page.get('[data-testid=week]'))
  return { page, sent }
}

it('shows seven days: what is done when, and where there is rest', async () => {
  const { page } = await shown()
  expect(page.findAll('.day')).toHaveLength(7)
  expect(page.findAll('.day.rest')).toHaveLength(5)
  const monday = page.findAll('.day')[0]!.text()
  for (const words of ['Monday', 'A · 09:30', '24', 'Tall hinge', 'Heel raise']) expect(monday).toContain(words)
  expect(monday).not.toContain('hands on the thighs')
})

it('a short practice stands below the session of its day', async () => {
  const { page } = await shown()
  expect(page.findAll('.day')[2]!.get('.light').text()).toContain('Tall hinge')
})

it('says what the week does not reach', async () => {
  const { page } = await shown()
  expect(page.get('.short').text()).toContain('two days of three')
})

it('names the days in the language of the page', async () => {
  await speak('de')
  const { page } = await shown()
  expect(page.findAll('.day h3').map((h) => h.text())).toEqual([
    'Montag',
    'Dienstag',
    'Mittwoch',
    'Donnerstag',
    'Freitag',
    'Samstag',
    'Sonntag',
  ])
})

it('is asked anew for another number of days', async () => {
  const { page, sent } = await shown()
  await page.get('input').setValue('4')
  await page.get('input').trigger('change')
  await vi.waitFor(() => expect(sent.filter((s) => s.path.endsWith('/week'))).toHaveLength(2))
})
