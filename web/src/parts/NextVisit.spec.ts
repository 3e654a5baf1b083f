import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Action } from '../api/schemas'
import { say } from '../i18n'
import { alarm, changes, mounted, press, Refusal, served } from '../specs/served'
import NextVisit from './NextVisit.vue'

const PATH = '/clients/a/next-visit'
const day = (on: string, expected: string[] = []) => ({ on, at: '09:30', why: 'three days after the last', expected })
const FREE = { on: null, at: null, missed: null, expected: [], suggested: [day('2026-12-01'), day('2026-12-03', ['Mirja Solberg'])] }
const PLANNED = { ...FREE, on: '2026-12-01', at: '09:30' }
const shown = async (found: unknown, may: Action[] = ['log'], answer: unknown = PLANNED) => {
  const sent = served({ [`GET ${PATH}`]: found, [`PUT ${PATH}`]: answer })
  return { page: await mounted(NextVisit, { props: { clientId: 'a' }, may }), sent }
}

it('offers days with what speaks for them, and who is expected then', async () => {
  const { page } = await shown(FREE)
  expect(page.findAll('.day')).toHaveLength(2)
  expect(page.findAll('.day')[0]!.text()).toContain('three days after the last')
  expect(page.findAll('.day')[1]!.text()).toContain('Mirja Solberg')
})

it('one tap plans it, and it stands there', async () => {
  const { page, sent } = await shown(FREE)
  await page.findAll('.day')[0]!.trigger('click')
  await flushPromises()
  expect(changes(sent)).toMatchObject([{ body: { on: '2026-12-01', at: '09:30' } }])
  expect(page.get('[role=status]').text()).toContain('1 December')
  expect(page.find('.day').exists()).toBe(false)
})

it('another day and hour are typed', async () => {
  const { page, sent } = await shown(FREE)
  const [on, at] = page.findAll('input')
  await on!.setValue('2026-12-24')
  expect(page.get('form button').attributes('disabled')).toBeDefined()
  await at!.setValue('08:00')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toEqual({ on: '2026-12-24', at: '08:00' })
})

it('can be changed, and can be none', async () => {
  const { page, sent } = await shown(PLANNED, ['log'], FREE)
  await press(page, say('next.change'))
  expect(page.findAll('.day')).toHaveLength(2)
  const planned = await shown(PLANNED, ['log'], FREE)
  await press(planned.page, say('next.none'))
  expect(changes(planned.sent)[0]!.body).toEqual({ on: null, at: null })
  expect(planned.page.findAll('.day')).toHaveLength(2)
  expect(changes(sent)).toEqual([])
})

it('a visit that was missed is said', async () => {
  const { page } = await shown({ ...FREE, missed: '2026-11-26' })
  expect(page.text()).toContain('26 November')
})

it('who may not log plans nothing', async () => {
  expect((await shown(FREE, [])).page.findAll('button')).toHaveLength(0)
  const { page } = await shown(PLANNED, [])
  expect(page.text()).toContain('1 December')
  expect(page.findAll('button')).toHaveLength(0)
})

it('a refused day leaves the others to choose from', async () => {
  const { page } = await shown(FREE, ['log'], new Refusal(422, 'this day is over'))
  await page.findAll('.day')[0]!.trigger('click')
  await flushPromises()
  expect(alarm(page)).toBe('this day is over')
  expect(page.findAll('.day')).toHaveLength(2)
})
