import { expect, it } from 'vitest'
import { speak } from '../../i18n'
import { button, isOff, mounted, press, served } from '../../specs/served'
import MoveCard from './MoveCard.vue'

const setUp = (side: string, more: Record<string, unknown> = {}) => ({
  side,
  values: { seat_cm: 43 },
  repetitions: 8,
  sets: 2,
  hold_s: 0,
  verdict: 'as_is',
  ...more,
})
const move = (set_ups: unknown[], more: Record<string, unknown> = {}) => ({
  ref: 'hinge/tall',
  title: 'Tall hinge',
  minutes: 3,
  why: 'your hips',
  side_words: '',
  stand_ins: [],
  set_ups,
  ...more,
})
const USUAL = {
  number: 2,
  sessions: ['A'],
  letters: ['A', 'B'],
  clientId: 'a',
  revision: 3,
  locked: false,
  busy: false,
  first: false,
  last: false,
}
const shown = (of: unknown, more: Record<string, unknown> = {}) => {
  served({})
  return mounted(MoveCard, { props: { ...USUAL, move: of, ...more } })
}
const dose = (page: Awaited<ReturnType<typeof shown>>) => page.get('.dose').text()

it('one picture where both sides are set up alike, one of each where they are not', async () => {
  expect((await shown(move([setUp('left'), setUp('right')]))).findAll('figure')).toHaveLength(1)
  const unlike = await shown(move([setUp('left'), setUp('right', { values: { seat_cm: 46 } })]))
  expect(unlike.findAll('figcaption').map((f) => f.text())).toEqual(['Left', 'Right'])
})

it('says the round that only one side does more', async () => {
  const page = await shown(move([setUp('left', { sets: 3 }), setUp('right')]))
  expect(dose(page)).toContain('left')
  expect(dose(page)).not.toContain('right')
})

it('and says it in the language of the page', async () => {
  await speak('de')
  const page = await shown(move([setUp('left', { sets: 3 }), setUp('right')]))
  const dose = page.get('.dose').text()
  await speak('en')
  expect(dose).toContain('links')
  expect(dose).not.toContain('left')
})

it('names each side where they do not do the same', async () => {
  expect(dose(await shown(move([setUp('left', { repetitions: 6 }), setUp('right')])))).toMatch(/Left.*6.*Right.*8/)
})

it('the verdict of the side that had to be changed stands for both', async () => {
  const page = await shown(move([setUp('left'), setUp('right', { verdict: 'modified' })]))
  const alone = await shown(move([setUp('left'), setUp('right')]))
  expect(page.html()).not.toBe(alone.html())
  expect(page.findComponent({ name: 'VerdictMark' }).props('verdict')).toBe('modified')
})

it('is moved with buttons or with the arrows, and not beyond the ends', async () => {
  const page = await shown(move([setUp('both')]), { first: true })
  expect(page.findAll('.tool')[0]!.attributes('disabled')).toBeDefined()
  await page.get('article').trigger('keydown', { key: 'ArrowRight', altKey: true })
  await page.get('article').trigger('keydown', { key: 'ArrowRight' }) // alone it scrolls
  expect(page.emitted('later')).toHaveLength(1)
})

it('what is locked is not thrown out, and nothing is changed while something is under way', async () => {
  expect(isOff(await shown(move([setUp('both')]), { locked: true }), 'Take out')).toBe(true)
  const busy = await shown(move([setUp('both')]), { busy: true })
  expect(busy.findAll('button').every((b) => b.attributes('disabled') !== undefined)).toBe(true)
  await busy.get('article').trigger('keydown', { key: 'ArrowLeft', altKey: true })
  expect(busy.emitted('earlier')).toBeUndefined()
})

it('another dose begins from the present one', async () => {
  const page = await shown(move([setUp('left', { sets: 3 }), setUp('right')]))
  await press(page, 'Dose')
  expect(page.findAll('.doses input').map((i) => (i.element as HTMLInputElement).value)).toEqual(['8', '2'])
  await page.findAll('.doses input')[0]!.setValue('6')
  await page.findAll('.doses input')[0]!.trigger('change')
  await page.get('.doses').trigger('submit')
  expect(page.emitted('dose')).toEqual([[6, 2, 0]])
  expect(page.find('.doses').exists()).toBe(false)
})

it('stays in one session at least', async () => {
  const page = await shown(move([setUp('both')]))
  const boxes = page.findAll('.letters input')
  expect(boxes).toHaveLength(2)
  await boxes[1]!.setValue(true)
  expect(page.emitted('sessions')).toEqual([[['A', 'B']]])
  expect((await shown(move([setUp('both')]), { letters: ['A'] })).find('.letters').exists()).toBe(false)
  expect(button(page, 'Swap').attributes('disabled')).toBeUndefined()
})
