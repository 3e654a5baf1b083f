import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { alarm, changes, isOff, mounted, press, Refusal, served } from '../../specs/served'
import PeopleStation from './PeopleStation.vue'

const person = (id: string, more: Record<string, unknown> = {}) => ({
  id,
  username: id,
  name: id,
  email: '',
  role: 'specialist',
  active: true,
  invited: false,
  last_seen: '2026-11-20T08:00:00Z',
  second_factor: false,
  ...more,
})
const PEOPLE = {
  roles: ['specialist', 'assistant'],
  people: [person('ann'), person('ben', { second_factor: true }), person('cleo', { active: false })],
}
const shown = async (answers: Record<string, unknown> = {}) => {
  const sent = served({ 'GET /people': PEOPLE, ...answers })
  return { page: await mounted(PeopleStation, { login: 'ann' }), sent }
}
const row = (page: Awaited<ReturnType<typeof shown>>['page'], at: number) => page.findAll('section')[at]!

it('nobody ends or changes the own log-in here', async () => {
  const { page } = await shown()
  expect(
    row(page, 0)
      .findAll('button:not([role=option])')
      .every((b) => b.attributes('disabled') !== undefined),
  ).toBe(true)
  expect(
    row(page, 1)
      .findAll('button:not([role=option])')
      .every((b) => b.attributes('disabled') === undefined),
  ).toBe(true)
})

it('a role is changed, a log-in ended and opened again, a lost device forgotten', async () => {
  const sent = (await shown({ 'PATCH /people/ben': {}, 'PATCH /people/cleo': {} })) as Awaited<ReturnType<typeof shown>>
  const { page } = sent
  await row(page, 1).findAll('[role=option]')[1]!.trigger('click')
  await flushPromises()
  for (const at of [0, 1]) {
    await row(page, 1).findAll('button:not([role=option])')[at]!.trigger('click')
    await flushPromises()
  }
  await row(page, 2).findAll('button:not([role=option])')[0]!.trigger('click')
  await flushPromises()
  expect(changes(sent.sent).map((s) => [s.path, s.body])).toEqual([
    ['/people/ben', { role: 'assistant', forget_device: false }],
    ['/people/ben', { forget_device: true }],
    ['/people/ben', { active: false, forget_device: false }],
    ['/people/cleo', { active: true, forget_device: false }],
  ])
})

it('an invitation needs a log-in and an address, and says to whom it went', async () => {
  const { page, sent } = await shown({ 'POST /people': {} })
  const SEND = 'Send the invitation'
  expect(isOff(page, SEND)).toBe(true)
  await page.get('input[name=invite-username]').setValue('dora')
  await page.get('input[name=invite-email]').setValue('dora at home')
  expect(isOff(page, SEND)).toBe(true)
  await page.get('input[name=invite-email]').setValue('dora@house.example')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toMatchObject({ username: 'dora', email: 'dora@house.example', role: 'specialist' })
  expect(page.get('[role=status]').text()).toContain('dora@house.example')
  expect((page.get('input[name=invite-username]').element as HTMLInputElement).value).toBe('')
})

it('a refused invitation stays as it was typed', async () => {
  const { page } = await shown({ 'POST /people': new Refusal(422, 'this log-in is taken') })
  await page.get('input[name=invite-username]').setValue('ben')
  await page.get('input[name=invite-email]').setValue('ben@house.example')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toBe('this log-in is taken')
  expect((page.get('input[name=invite-username]').element as HTMLInputElement).value).toBe('ben')
})

it('tells who was invited and never came from who was here', async () => {
  const people = [person('dora', { invited: true, last_seen: null }), person('ben'), person('cleo', { last_seen: null })]
  const { page } = await shown({ 'GET /people': { ...PEOPLE, people } })
  const says = [0, 1, 2].map((at) => row(page, at).get('.soft').text())
  expect(new Set(says.map((s) => s.split(' · ').at(-1))).size).toBe(3)
  expect(says[1]).toContain('20 Nov 2026')
})

it('waits for nothing else while one change is under way', async () => {
  let answer = (): void => undefined
  const { page, sent } = await shown({ 'PATCH /people/ben': () => new Promise((done) => (answer = () => done({}))) })
  const end = row(page, 1).findAll('button:not([role=option])')[1]!
  await end.trigger('click')
  await flushPromises()
  await press(page, 'Send the invitation')
  await end.trigger('click')
  answer()
  await flushPromises()
  expect(changes(sent)).toHaveLength(1)
})
