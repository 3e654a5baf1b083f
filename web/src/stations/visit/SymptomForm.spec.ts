import { expect, it } from 'vitest'
import { isOff, mounted, press, served } from '../../specs/served'
import { sheetOf } from '../../specs/sheets'
import SymptomForm from './SymptomForm.vue'

const sheet = sheetOf([])
const shown = () => {
  served({})
  return mounted(SymptomForm, { props: { sheet, modelValue: true } })
}
const KEEP = 'Note it'
const scale = (page: Awaited<ReturnType<typeof shown>>, n: number) => page.findAll('.scale button')[n]!.trigger('click')

it('is kept when what, where and how much are told', async () => {
  const page = await shown()
  expect(isOff(page, KEEP)).toBe(true)
  await press(page, 'pain')
  await press(page, 'low back')
  expect(isOff(page, KEEP)).toBe(true)
  await scale(page, 0) // it did not rise: that is an answer
  expect(isOff(page, KEEP)).toBe(false)
  await page.get('input[type=checkbox]').setValue(true)
  await press(page, KEEP)
  expect(page.emitted('felt')).toEqual([[{ what: 'pain', where: 'low_back', rise_0_to_10: 0, spreading: true }]])
  expect(page.emitted('update:modelValue')!.at(-1)).toEqual([false])
})

it('says beforehand that what is told ends the movement', async () => {
  const page = await shown()
  await press(page, 'pain')
  await scale(page, 1)
  expect(page.find('[role=status]').exists()).toBe(false)
  await scale(page, 2)
  expect(page.find('[role=status]').exists()).toBe(true)
})

it('begins anew with the next symptom', async () => {
  const page = await shown()
  await press(page, 'pain')
  await press(page, 'low back')
  await scale(page, 4)
  await press(page, KEEP)
  await page.setProps({ modelValue: true })
  expect(isOff(page, KEEP)).toBe(true)
  expect(page.findAll('[aria-pressed=true]')).toHaveLength(0)
})
