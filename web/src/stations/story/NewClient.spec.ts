import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { address, alarm, changes, isOff, mounted, Refusal, served, UNREACHABLE } from '../../specs/served'
import NewClient from './NewClient.vue'

const GO = say('new.go')
const shown = async (answer: unknown) => {
  const sent = served({ 'GET /referrer': { set_up: false }, 'POST /clients': answer })
  return { page: await mounted(NewClient), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
async function told(page: Page, stature = '164'): Promise<void> {
  await page.get('input[name=name]').setValue('Orla Brandt')
  await page.get('input[name=birth_date]').setValue('1950-04-02')
  await page.get('input[type=radio]').setValue(true)
  for (const [name, value] of [
    ['stature_cm', stature],
    ['mass_kg', '61'],
  ]) {
    await page.get(`input[name=${name}]`).setValue(value)
    await page.get(`input[name=${name}]`).trigger('change')
  }
}

it('begins when the body is told, and not before', async () => {
  const { page, sent } = await shown({ id: 'new-one' })
  expect(isOff(page, GO)).toBe(true)
  await told(page)
  expect(isOff(page, GO)).toBe(false)
  await page.get('form').trigger('submit')
  await flushPromises()
  const { person } = (changes(sent)[0]!.body as { case: { person: unknown } }).case
  expect(person).toEqual({ name: 'Orla Brandt', birth_date: '1950-04-02', sex: 'female', stature_cm: 164, mass_kg: 61 })
  expect(address()).toBe('/client/new-one/story')
})

it('what is refused stands at its field and nowhere else, and nothing that was typed is gone', async () => {
  const faults = [
    { path: '$.person.stature_cm', reason: 'no table for so small an adult' },
    { path: '$.person.birth_date', reason: 'an age of 176 years is outside 6–110' },
  ]
  const { page } = await shown(new Refusal(422, '', { faults }))
  await told(page, '100')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(page.findAll('label [role=alert]').map((b) => b.text())).toEqual([faults[1]!.reason, faults[0]!.reason])
  expect(page.findAll('[role=alert]')).toHaveLength(2)
  expect((page.get('input[name=name]').element as HTMLInputElement).value).toBe('Orla Brandt')
  expect(address()).toBe('/')
})

it('what no field can show stands above the button', async () => {
  const faults = [{ path: '$.person.name', reason: 'holds a character that is no text' }]
  const { page } = await shown(new Refusal(422, '', { faults }))
  await told(page)
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toContain('name: holds a character that is no text')
})

it('a slip of a digit is sent as it was typed, and not as the nearest that can be', async () => {
  const { page, sent } = await shown({ id: 'new-one' })
  await told(page, '40')
  expect(alarm(page)).toContain('40 is less than 95')
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(changes(sent)[0]!.body).toMatchObject({ case: { person: { stature_cm: 40 } } })
})

it('without a network it says so', async () => {
  const { page } = await shown(UNREACHABLE)
  await told(page)
  await page.get('form').trigger('submit')
  await flushPromises()
  expect(alarm(page)).toContain('cannot be reached')
  expect(isOff(page, GO)).toBe(false)
})
