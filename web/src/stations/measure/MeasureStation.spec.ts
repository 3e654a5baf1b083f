import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { alarm, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import { useClient } from '../../stores/client'
import MeasureStation from './MeasureStation.vue'

const test = (id: string, group = 'Balance') => ({
  id,
  title: id,
  group,
  measures: 'seconds',
  unlocks: 'standing',
  protocol: ['Stand.'],
  safety: 'Someone beside.',
  change_band: '',
  fields: [],
  timer: '',
  trials: '',
  per_side: false,
})
const due = (id: string, more: Record<string, unknown> = {}) => ({
  test: id,
  title: id,
  gate: false,
  decides: 0,
  unsafe: '',
  instead: '',
  outcomes: [],
  ...more,
})
const READING = { index: 0, test: 'tandem', side: 'left', text: '12 s, as expected', level: 'fine', on: '2026-11-20', source: 'a book' }
const view = viewOf({ screen: { findings: { readings: [READING] } } })
const shown = async (tests: unknown) => {
  const answer = tests instanceof Refusal ? tests : { client: 'a', revision: 3, digest: 'a-3', tests }
  served({ 'GET /clients/a': view, 'GET /clients/a/next-tests': answer })
  const reference = {
    tests: ['pressure', 'tandem', 'gait', 'floor_rise', 'bone'].map((id) => test(id, id === 'bone' ? 'Bone' : 'Balance')),
  }
  return mounted(MeasureStation, { view, reference })
}
const DUE = [
  due('pressure', { gate: true }),
  due('gait', { decides: 14, outcomes: [{ says: 'quick', probability: 0.6, changes: 9 }] }),
  due('floor_rise', { unsafe: 'nobody to help', instead: 'ask how it went at home' }),
  due('bone', { decides: 0 }),
]
const offered = (page: Awaited<ReturnType<typeof shown>>) =>
  page
    .findAll('aside')[0]!
    .findAll('aside > .choice')
    .map((c) => c.text())

it('offers what comes first and what decides most, and neither what decides nothing nor what is unsafe', async () => {
  const page = await shown(DUE)
  const [gate, gait, ...more] = offered(page)
  expect(gate).toContain('pressure')
  expect(gate).toContain(say('measure.gate'))
  expect(gait).toContain(say('measure.decides', { n: 14 }))
  expect(more).toEqual([])
})

it('opens with the first of them, and another at a tap, with what each outcome would change', async () => {
  const page = await shown(DUE)
  expect(page.get('.main h2').text()).toBe('pressure')
  await page.findAll('aside > .choice')[1]!.trigger('click')
  expect(page.get('.main h2').text()).toBe('gait')
  expect(page.get('.promise').text()).toContain('60 %')
  expect(page.get('.promise').text()).toContain(say('measure.changes', { n: 9 }))
})

it('says of what is left out why, and what is done instead', async () => {
  const page = await shown(DUE)
  expect(page.findAll('aside')[1]!.text()).toContain('nobody to help')
  await page
    .findAll('details .choice')
    .find((c) => c.text().includes('floor_rise'))!
    .trigger('click')
  expect(page.get('.leave').text()).toContain('nobody to help')
  expect(page.get('.leave').text()).toContain('ask how it went at home')
  expect(page.find('.promise').exists()).toBe(false)
})

it('marks in the whole list what needs nothing any more', async () => {
  const page = await shown(DUE)
  const rows = page.findAll('details .choice').map((c) => c.text())
  expect(rows.find((r) => r.includes('tandem'))).toContain('✓')
  expect(rows.find((r) => r.includes('gait'))).not.toContain('✓')
})

it('shows results with their side, day and source', async () => {
  const page = await shown(DUE)
  const said = page.get('.results').text()
  for (const words of ['tandem, left', '12 s, as expected', '20 Nov 2026', 'a book']) expect(said).toContain(words)
})

it('says that it is enough when nothing decides anything', async () => {
  const page = await shown([due('bone')])
  expect(page.text()).toContain(say('measure.enough'))
})

it('without an answer any test can still be chosen', async () => {
  const page = await shown(new Refusal(503, 'too much at once'))
  expect(alarm(page)).toContain('too much at once')
  await press(page, 'gait')
  expect(page.get('.main h2').text()).toBe('gait')
})

it('while it is worked out the sheet is not empty: any test can be opened', async () => {
  served({ 'GET /clients/a': view, 'GET /clients/a/next-tests': () => new Promise(() => {}) })
  const page = await mounted(MeasureStation, { view, reference: { tests: [test('gait')] } })
  expect(page.get('.main').text()).toBe(say('measure.meanwhile'))
  await press(page, 'gait')
  expect(page.get('.main h2').text()).toBe('gait')
})

const seconds = {
  name: 'seconds',
  title: 'seconds',
  unit: 's',
  kind: 'number',
  low: 0,
  high: 120,
  optional: false,
  choices: [],
  first: null,
}
/** A page with one test to each side, what is due at each revision, and how to keep what is in the form. */
async function measuring(dueAt: Record<number, ReturnType<typeof due>[]>) {
  let now = 3
  const at = (revision: number) => viewOf({ ...view, revision: (now = revision), digest: `a-${revision}` })
  served({
    'GET /clients/a': view,
    'GET /clients/a/next-tests': () => ({ client: 'a', revision: now, digest: `a-${now}`, tests: dueAt[now] ?? [] }),
    'POST /clients/a/tests': () => at(4),
  })
  const tests = ['tandem', 'gait'].map((id) => ({ ...test(id), per_side: id === 'tandem', fields: [seconds] }))
  const page = await mounted(MeasureStation, { view, reference: { tests } })
  return {
    page,
    input: () => page.get('input[name=seconds]').element as HTMLInputElement,
    type: async (value: string) => {
      await page.get('input[name=seconds]').setValue(value)
      await page.get('input[name=seconds]').trigger('change')
    },
    keep: async () => {
      await page.get('form').trigger('submit')
      await flushPromises()
    },
    elsewhere: async () => {
      useClient().take(at(5) as never)
      await flushPromises()
    },
  }
}

it('asks for the other side of a test that nobody had to choose', async () => {
  const { page, input, type, keep } = await measuring({ 3: [due('tandem', { gate: true })], 4: [due('gait', { gate: true })] })
  await type('9')
  await keep()
  expect(page.get('.main h2').text()).toBe('tandem')
  expect(input().value).toBe('')
  expect((page.findAll('input[type=radio]')[1]!.element as HTMLInputElement).checked).toBe(true)
})

it('goes on to what is suggested once a test is kept', async () => {
  const { page, type, keep } = await measuring({ 3: [due('gait', { gate: true })], 4: [due('tandem', { gate: true })] })
  await type('9')
  await keep()
  expect(page.get('.main h2').text()).toBe('tandem')
})

it('keeps what is being typed while the order is worked out anew', async () => {
  const { page, input, type, elsewhere } = await measuring({ 3: [due('gait', { gate: true })], 5: [due('tandem', { gate: true })] })
  await type('7')
  await elsewhere()
  expect(page.get('.main h2').text()).toBe('gait')
  expect(input().value).toBe('7')
})
