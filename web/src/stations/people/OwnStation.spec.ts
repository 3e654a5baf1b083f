import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { alarm, changes, isOff, mounted, press, Refusal, served } from '../../specs/served'
import OwnStation from './OwnStation.vue'

const session = (id: string, here = false) => ({
  id,
  here,
  device: 'a tablet',
  began_at: '2026-11-28T08:00:00Z',
  seen_at: '2026-11-28T09:00:00Z',
})
const OWN = { second_factor: false, codes_left: 0, sessions: [session('s-1', true)] }
const shown = async (answers: Record<string, unknown> = {}) => {
  const sent = served({ 'GET /own': OWN, ...answers })
  return { page: await mounted(OwnStation), sent }
}
const BEGUN = { secret: 'JBSW Y3DP', picture: '<svg id="square"></svg>' }

it('a second factor begins with the password, counts when a code was right, and its spare codes are shown once', async () => {
  const { page, sent } = await shown({
    'POST /second-factor': BEGUN,
    'POST /second-factor/confirm': { codes: ['one-two', 'three-four'] },
  })
  await page.get('input[name=own-password]').setValue('a-long-password')
  await page.findAll('form')[0]!.trigger('submit')
  await flushPromises()
  expect(page.html()).toContain('id="square"')
  expect(page.text()).toContain('JBSW Y3DP')
  await page.get('input[name=first-code]').setValue('123')
  expect(isOff(page, 'That is the code')).toBe(true)
  await page.get('input[name=first-code]').setValue('123456')
  await page.findAll('form')[0]!.trigger('submit')
  await flushPromises()
  expect(changes(sent).map((s) => s.body)).toEqual([{ password: 'a-long-password' }, { code: '123456' }])
  expect(page.findAll('.codes li').map((l) => l.text())).toEqual(['one-two', 'three-four'])
  await page.get('section .main-action').trigger('click')
  expect(page.find('.codes').exists()).toBe(false)
})

it('a wrong code leaves the picture where it is', async () => {
  const { page } = await shown({ 'POST /second-factor': BEGUN, 'POST /second-factor/confirm': new Refusal(422, 'not this code') })
  await page.get('input[name=own-password]').setValue('a-long-password')
  await page.findAll('form')[0]!.trigger('submit')
  await flushPromises()
  await page.get('input[name=first-code]').setValue('000000')
  await page.findAll('form')[0]!.trigger('submit')
  await flushPromises()
  expect(alarm(page)).toBe('not this code')
  expect(page.html()).toContain('id="square"')
})

it('it is taken away only with the password', async () => {
  const { page, sent } = await shown({ 'GET /own': { ...OWN, second_factor: true, codes_left: 7 }, 'POST /second-factor/remove': {} })
  expect(page.text()).toContain('7')
  const remove = page.findAll('form')[0]!.get('button')
  expect(remove.attributes('disabled')).toBeDefined()
  await page.get('input[name=own-password]').setValue('a-long-password')
  await page.findAll('form')[0]!.trigger('submit')
  await flushPromises()
  expect(changes(sent)).toMatchObject([{ path: '/second-factor/remove', body: { password: 'a-long-password' } }])
})

it('other places can be ended, one or all, and this one cannot', async () => {
  const sessions = [session('s-1', true), session('s-2'), session('s-3')]
  const { page, sent } = await shown({ 'GET /own': { ...OWN, sessions }, 'POST /sessions/s-3/end': {}, 'POST /sessions/end-others': {} })
  expect(page.findAll('.place button')).toHaveLength(2)
  await page.findAll('.place button')[1]!.trigger('click')
  await flushPromises()
  await press(page, 'Log out everywhere')
  expect(changes(sent).map((s) => s.path)).toEqual(['/sessions/s-3/end', '/sessions/end-others'])
})

it('one place alone has nothing to end', async () => {
  const { page } = await shown()
  expect(page.findAll('.place button')).toHaveLength(0)
  expect(page.findAll('button').some((b) => b.text().includes('everywhere'))).toBe(false)
})

it('another password goes with the old one, and neither stays in the fields', async () => {
  const { page, sent } = await shown({ 'POST /password': {} })
  await page.get('input[name=old-password]').setValue('the-old-one')
  await page.get('input[name=another-password]').setValue('short')
  const form = page.findAll('form').at(-1)!
  expect(form.get('button[type=submit]').attributes('disabled')).toBeDefined()
  await page.get('input[name=another-password]').setValue('a-long-new-one')
  await form.trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toEqual({ old: 'the-old-one', new: 'a-long-new-one' })
  expect((page.get('input[name=old-password]').element as HTMLInputElement).value).toBe('')
  expect(page.get('[role=status]').text()).not.toBe('')
})
