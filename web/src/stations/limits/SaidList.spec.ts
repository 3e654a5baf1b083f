import { expect, it } from 'vitest'
import type { Action } from '../../api/schemas'
import { alarm, changes, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import SaidList from './SaidList.vue'

const word = (more: Record<string, unknown>) => ({
  kind: 'forbids',
  name: 'Dr Hale',
  role: 'surgeon',
  on: '2026-11-20',
  quantity: '',
  step: '',
  clears: '',
  document: '',
  reported: false,
  recorded_by: 'ben',
  ...more,
})
const WORDS = [
  word({ kind: 'forbids', quantity: 'trunk_flexion_deg', withdrawn_on: '2026-11-25' }),
  word({ kind: 'clears', clears: 'new_hip.first_weeks', reported: true }),
  word({ kind: 'limits', step: 'hinge/tall' }),
]
const OVERRIDES = [
  { step: 'bridge/low', by: 'Ann', reason: 'tried beside me', expires_on: '2026-12-01' },
  { step: 'hinge/tall', by: 'Ann', reason: 'long ago', expires_on: '2026-11-27' },
]
const view = viewOf({ case: { clinician_words: WORDS, overrides: OVERRIDES } })
const reference = {
  movements: [{ family: 'hinge', step: 'tall', title: 'Tall hinge' }],
  rules: [{ id: 'new_hip', title: 'New hip' }],
  quantities: [],
}
const all: Action[] = ['make_stricter', 'confirm', 'lift_forbidden']
const shown = (may: Action[] = all, login = 'ann') => mounted(SaidList, { view, reference, may, login })

it('shows what counts today, and neither what was withdrawn nor what has run out', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown()
  expect(page.findAll('.entry-said')).toHaveLength(3)
  expect(page.text()).toContain('New hip')
  expect(page.text()).toContain('Tall hinge')
  expect(page.text()).toContain('tried beside me')
  expect(page.text()).not.toContain('long ago')
})

it('a word that somebody only reported is confirmed by another, at the place where it stands', async () => {
  const sent = served({ 'GET /clients/a': view, 'POST /clients/a/words/1/confirm': viewOf({ revision: 4 }) })
  const page = await shown()
  await press(page, 'I have seen')
  expect(changes(sent)).toMatchObject([{ path: '/clients/a/words/1/confirm', body: { base_revision: 3 } }])
  expect(page.findAll('.entry-said')).toHaveLength(0) // as the server now says
})

it('nobody confirms what he reported himself', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown(all, 'ben')
  expect(page.findAll('button').some((b) => b.text().startsWith('I have seen'))).toBe(false)
})

it('who may only make stricter withdraws a clearance, and no limit of somebody else', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown(['make_stricter'])
  const offered = page.findAll('.entry-said').map((e) => e.findAll('button').length)
  expect(offered).toEqual([1, 0, 1]) // the clearance, the limit of another, what was opened by hand
})

it('an assistant reads and changes nothing', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown([])
  expect(page.findAll('button')).toHaveLength(0)
})

it('says why it could not be done, and leaves the list as it is', async () => {
  served({ 'GET /clients/a': view, 'POST /clients/a/overrides/0/withdraw': new Refusal(409, 'somebody was faster') })
  const page = await shown()
  await press(page, 'Close it again')
  expect(alarm(page)).toBe('somebody was faster')
  expect(page.findAll('.entry-said')).toHaveLength(3)
})
