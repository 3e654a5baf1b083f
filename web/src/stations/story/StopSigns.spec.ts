import { expect, it } from 'vitest'
import { alarm, changes, isOff, mounted, press, Refusal, served, UNREACHABLE, viewOf } from '../../specs/served'
import StopSigns from './StopSigns.vue'

const SIGNS = [
  { id: 'chest_pain', title: 'Chest pain now', emergency: true },
  { id: 'night_pain', title: 'New night pain', emergency: false },
  { id: 'of_pregnancy', title: 'Bleeding in pregnancy', emergency: true },
]
const view = (present: string[] = []) =>
  viewOf({
    case: { stop_signs: { asked_on: '2026-11-27', present, asked: [] } },
    screen: { stop_questions: ['chest_pain', 'night_pain'], stop_signs: [{ id: 'not_asked', missing: true }] },
  })
const shown = (of = view()) => mounted(StopSigns, { view: of, reference: { stop_signs: SIGNS } })
const signs = (page: Awaited<ReturnType<typeof shown>>) => page.findAll('.sign').map((s) => s.text())

it('asks what concerns this client, and says which of it is an emergency', async () => {
  served({ 'GET /clients/a': view() })
  const page = await shown()
  expect(signs(page)).toHaveLength(2)
  expect(signs(page)[0]).toContain('Chest pain now')
  expect(signs(page)[0]).not.toBe('Chest pain now') // with what to do now
  expect(signs(page)[1]).toBe('New night pain')
})

it('keeps that all were asked and none is there, and goes on', async () => {
  const sent = served({ 'GET /clients/a': view(), 'PATCH /clients/a': viewOf({ revision: 4 }) })
  const page = await shown()
  await press(page, 'I asked all of them')
  expect(changes(sent)[0]!.body).toMatchObject({
    base_revision: 3,
    sections: { stop_signs: { asked_on: '2026-11-28', present: [], asked: ['chest_pain', 'night_pain'] } },
  })
  expect(page.emitted('kept')).toHaveLength(1)
})

it('keeps a sign that is there, and leads nowhere', async () => {
  const sent = served({ 'GET /clients/a': view(), 'PATCH /clients/a': viewOf({ revision: 4 }) })
  const page = await shown()
  await page.findAll('.sign')[1]!.trigger('click')
  expect(page.findAll('.sign')[1]!.attributes('aria-pressed')).toBe('true')
  await page.get('.main-action').trigger('click')
  await new Promise((later) => setTimeout(later))
  expect(changes(sent)[0]!.body).toMatchObject({ sections: { stop_signs: { present: ['night_pain'] } } })
  expect(page.emitted('kept')).toBeUndefined()
})

it('shows a sign that stood before although it is not asked any more', async () => {
  served({ 'GET /clients/a': view(['of_pregnancy']) })
  const page = await shown(view(['of_pregnancy']))
  expect(
    page
      .findAll('.sign')
      .filter((s) => s.attributes('aria-pressed') === 'true')
      .map((s) => s.text())[0],
  ).toContain('Bleeding')
})

it.each([
  ['was refused', new Refusal(409, 'somebody was faster')],
  ['never arrived', UNREACHABLE],
])('an answer that %s is not lost, and nobody goes on as if it were kept', async (_, answer) => {
  served({ 'GET /clients/a': view(), 'PATCH /clients/a': answer })
  const page = await shown()
  await page.findAll('.sign')[0]!.trigger('click')
  await page.get('.main-action').trigger('click')
  await new Promise((later) => setTimeout(later))
  expect(alarm(page)).not.toBe('')
  expect(page.findAll('.sign')[0]!.attributes('aria-pressed')).toBe('true')
  expect(page.emitted('kept')).toBeUndefined()
  expect(isOff(page, 'Record stop signs')).toBe(false)
})
