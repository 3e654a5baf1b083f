import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { alarm, changes, mounted, Refusal, served, viewOf } from '../../specs/served'
import ReminderForm from './ReminderForm.vue'

const PATH = '/clients/a/reminder'
const shown = async (answer: unknown = { address: 'orla@home.example' }) => {
  const sent = served({ 'GET /clients/a': viewOf(), [`GET ${PATH}`]: { address: 'before@home.example' }, [`PUT ${PATH}`]: answer })
  return { page: await mounted(ReminderForm, { view: viewOf() }), sent }
}
const field = (page: Awaited<ReturnType<typeof shown>>['page']) => page.get('input').element as HTMLInputElement

it('shows the address that is known, and says nothing before anything was kept', async () => {
  const { page } = await shown()
  expect(field(page).value).toBe('before@home.example')
  expect(page.get('[role=status]').text()).toBe('')
})

it('keeps an address with the zone of who reads the hours', async () => {
  const { page, sent } = await shown()
  await page.get('input').setValue('orla@home.example')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toEqual({ address: 'orla@home.example', zone: Intl.DateTimeFormat().resolvedOptions().timeZone })
  expect(page.get('[role=status]').text()).toBe(say('papers.kept'))
})

it('an empty address ends the reminders', async () => {
  const { page, sent } = await shown({ address: '' })
  await page.get('input').setValue('')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toMatchObject({ address: '' })
})

it('what is refused is not said to be kept', async () => {
  const { page } = await shown(new Refusal(422, 'no address'))
  await page.get('input').setValue('orla at home')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toBe('no address')
  expect(page.get('[role=status]').text()).toBe('')
  expect(field(page).value).toBe('orla at home')
})
