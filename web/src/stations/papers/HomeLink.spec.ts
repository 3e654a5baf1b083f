import { expect, it } from 'vitest'
import { alarm, changes, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import HomeLink from './HomeLink.vue'

const PATH = '/clients/a/home-link'
const MADE = { path: '/home/long-secret', code: 'WREN-4417', picture: '<svg id="square"></svg>', expires_on: '2027-02-26' }
const shown = (answers: Record<string, unknown>) => {
  const sent = served({ 'GET /clients/a': viewOf(), [`GET ${PATH}`]: { expires_on: null }, ...answers })
  return mounted(HomeLink, { view: viewOf() }).then((page) => ({ page, sent }))
}

it('is shown once, when it is made: address, picture and code', async () => {
  const { page } = await shown({ [`POST ${PATH}`]: MADE })
  expect(page.text()).not.toContain('WREN-4417')
  await press(page, 'Make a new link')
  expect(page.text()).toContain('/home/long-secret')
  expect(page.text()).toContain('WREN-4417')
  expect(page.html()).toContain('id="square"')
  expect(page.text()).toContain('26 Feb 2027')
})

it('one that was made before is not shown again, but can be taken back', async () => {
  const { page, sent } = await shown({ [`GET ${PATH}`]: { expires_on: '2027-01-01' }, [`DELETE ${PATH}`]: { expires_on: null } })
  expect(page.text()).toContain('1 Jan 2027')
  expect(page.find('.home-slip').exists()).toBe(false)
  await press(page, 'Take')
  expect(changes(sent).map((s) => s.method)).toEqual(['DELETE'])
  expect(page.text()).not.toContain('1 Jan 2027')
})

it('taking it back takes it off the screen', async () => {
  const { page } = await shown({ [`POST ${PATH}`]: MADE, [`DELETE ${PATH}`]: { expires_on: null } })
  await press(page, 'Make a new link')
  await press(page, 'Take')
  expect(page.text()).not.toContain('long-secret')
})

it('says why none was made', async () => {
  const { page } = await shown({ [`POST ${PATH}`]: new Refusal(409, 'a stop sign stands') })
  await press(page, 'Make a new link')
  expect(alarm(page)).toBe('a stop sign stands')
  expect(page.find('.home-slip').exists()).toBe(false)
})
