import { expect, it } from 'vitest'
import { speak } from '../i18n'
import { mounted, served } from '../specs/served'
import NumberEntry from './NumberEntry.vue'

type Given = { low?: number; high?: number; whole?: boolean; fault?: string; modelValue?: number | null }
const shown = (props: Given = {}) => {
  served({})
  return mounted(NumberEntry, { props: { low: 95, high: 220, label: 'Stature', ...props } })
}
type Page = Awaited<ReturnType<typeof shown>>
const box = (page: Page) => page.get('input').element as HTMLInputElement
const taken = (page: Page) => page.emitted('update:modelValue')?.at(-1)?.[0]
const said = (page: Page) => page.findAll('[role=alert]').map((x) => x.text())
async function typed(page: Page, text: string): Promise<void> {
  await page.get('input').setValue(text)
  await page.get('input').trigger('change')
}

it.each([
  ['40', '40 is less than 95'],
  ['1650', '1650 is more than 220'],
  ['tall', '“tall” is no number'],
])('what cannot be is said and stays as it was typed: %s', async (text, why) => {
  const page = await shown()
  await typed(page, text)
  expect(said(page)).toEqual([why])
  expect(box(page).value).toBe(text)
  expect(box(page).getAttribute('aria-invalid')).toBe('true')
})

it('the bounds themselves are fine, and it goes on as a number', async () => {
  const page = await shown()
  for (const text of ['95', '220', '164,5']) {
    await typed(page, text)
    expect(said(page)).toEqual([])
  }
  expect(taken(page)).toBe(164.5)
})

it('what is out of bounds goes on too, so that nothing older is kept in its place', async () => {
  const page = await shown({ modelValue: 165 })
  await typed(page, '40')
  expect(taken(page)).toBe(40)
  await typed(page, '1o2') // refused where it is kept; left out, an optional measure would look untried
  expect(taken(page)).toBe('1o2')
  expect(box(page).value).toBe('1o2')
  await typed(page, '')
  expect(taken(page)).toBeUndefined()
  expect(said(page)).toEqual([])
})

it('nobody is corrected while typing', async () => {
  const page = await shown({ fault: 'no table for so small an adult' })
  box(page).value = '1'
  await page.get('input').trigger('input')
  expect(said(page)).toEqual([])
  await page.get('input').trigger('change')
  expect(said(page)).toEqual(['1 is less than 95'])
  box(page).value = '16'
  await page.get('input').trigger('input')
  expect(said(page)).toEqual([])
})

it('shows what is put into it, and what was said of it where it was to be kept', async () => {
  const page = await shown({ modelValue: 164.5, fault: 'no table for so small an adult' })
  expect(box(page).value).toBe('164.5')
  expect(said(page)).toEqual(['no table for so small an adult'])
  await page.setProps({ modelValue: null })
  expect(box(page).value).toBe('')
})

it('has the comma of the page, and understands either', async () => {
  await speak('de')
  const page = await shown({ modelValue: 164.5 })
  expect(box(page).value).toBe('164,5')
  await typed(page, '164.6')
  expect(taken(page)).toBe(164.6)
  await speak('en')
})
