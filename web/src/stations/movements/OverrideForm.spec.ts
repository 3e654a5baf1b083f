import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Action } from '../../api/schemas'
import { say } from '../../i18n'
import { alarm, changes, isOff, mounted, Refusal, served, viewOf } from '../../specs/served'
import OverrideForm from './OverrideForm.vue'

const KEEP = say('override.keep')
const shown = async (strength = 'limit', may: Action[] = ['override'], answer: unknown = {}) => {
  const view = viewOf({ screen: { limits: [{ id: 'thin.deg', strength }] } })
  const sent = served({ 'GET /clients/a': view, 'POST /clients/a/overrides': answer })
  const props = { breach: { limit: 'thin.deg', says: 'Rounding at most 10°' }, step: 'hinge/tall', side: 'left' }
  return { page: await mounted(OverrideForm, { view, may, props, reference: { longest_override_days: 14 } }), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
async function told(page: Page): Promise<void> {
  await page.get('.el-input input').setValue('tried beside me, twice')
  await page.get('input[type=date]').setValue('2026-12-05')
}

it('opens one limit, one step and one side, with a reason and until a day', async () => {
  const { page, sent } = await shown()
  expect(isOff(page, KEEP)).toBe(true)
  await told(page)
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toEqual({
    base_revision: 3,
    limit_id: 'thin.deg',
    step: 'hinge/tall',
    side: 'left',
    reason: 'tried beside me, twice',
    expires_on: '2026-12-05',
  })
  expect(page.emitted('kept')).toHaveLength(1)
})

it('ends at the last day that the rules allow', async () => {
  const { page } = await shown()
  expect(page.get('input[type=date]').attributes()).toMatchObject({ min: '2026-11-28', max: '2026-12-12' })
})

it('what is forbidden is opened by no specialist, whatever he writes', async () => {
  const { page } = await shown('forbidden', ['override'])
  await told(page)
  expect(isOff(page, KEEP)).toBe(true)
  expect(page.text()).toContain(say('override.forbidden'))
})

it('and nothing at all by who may not open', async () => {
  const { page } = await shown('limit', [])
  await told(page)
  expect(isOff(page, KEEP)).toBe(true)
  expect(page.text()).toContain(say('override.notYours'))
})

it('what the server refuses is not open', async () => {
  const { page } = await shown('limit', ['override'], new Refusal(409, 'somebody was faster'))
  await told(page)
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toBe('somebody was faster')
  expect(page.emitted('kept')).toBeUndefined()
})
