import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { alarm, changes, isOff, mounted, Refusal, served, viewOf } from '../../specs/served'
import ReviewForm from './ReviewForm.vue'

const limit = { id: 'flexion_sciatica.loaded', rule: 'flexion_sciatica', grade: 1, grades: 3, next_grade: 'sitting tall for ten minutes' }
const before = { rule: 'older', on: '2026-11-01', done_strongly: true, confidence_0_to_10: 5, next_day_flare: false, by: 'Ben' }
const view = viewOf({ case: { reviews: [before] } })
const shown = (opens: string[] = []) => mounted(ReviewForm, { props: { limit, opens }, view })
const radios = (page: Awaited<ReturnType<typeof shown>>) => page.findAll('input[type=radio]')

it('says which grade comes next, and what it opens', async () => {
  served({ 'GET /clients/a': view })
  const page = await shown(['hinge/tall', 'bridge/low'])
  expect(page.text()).toContain('sitting tall for ten minutes')
  expect(page.text()).toContain('2')
  expect(page.findAll('.grades .past')).toHaveLength(1)
  expect(page.findAll('.grades .now')).toHaveLength(1)
})

it('is kept only when both questions are answered, and goes behind the earlier ones', async () => {
  const sent = served({ 'GET /clients/a': view, 'PATCH /clients/a': viewOf({ revision: 4 }) })
  const page = await shown()
  expect(isOff(page, 'Keep')).toBe(true)
  await radios(page)[1]!.setValue(true)
  expect(isOff(page, 'Keep')).toBe(true)
  await radios(page)[2]!.setValue(true)
  await page.get('form').trigger('submit')
  await flushPromises()
  const { sections } = changes(sent)[0]!.body as { sections: { reviews: unknown[] } }
  expect(sections.reviews).toEqual([
    before,
    {
      rule: 'flexion_sciatica',
      on: '2026-11-28',
      done_strongly: false,
      confidence_0_to_10: 7,
      next_day_flare: true,
      by: 'Ann Weaver',
    },
  ])
})

it('says why it was refused', async () => {
  served({ 'GET /clients/a': view, 'PATCH /clients/a': new Refusal(403, 'this is for a specialist') })
  const page = await shown()
  await radios(page)[0]!.setValue(true)
  await radios(page)[3]!.setValue(true)
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toBe('this is for a specialist')
})
