import { beforeEach, expect, it, vi } from 'vitest'
import { mounted, press, served } from '../../specs/served'
import { sheetOf } from '../../specs/sheets'
import DoIt from './DoIt.vue'
import { begin, ready, start } from './run'
import type { Run } from './run'

const side = { side: 'both', measures: [], repetitions: 3, sets: 2, hold_s: 0, frames: ['<svg></svg>'], beats: [] }
const FAULTS = [
  { id: 'drops', name: 'pelvis drops', seen: 'one side sinks', cue: 'push the floor away', picture: '<svg id="drops"></svg>' },
  { id: 'breath', name: 'breath held', seen: 'it stops', cue: 'breathe', picture: '' },
]
const CUES = [
  { index: 0, says: 'longer neck', worked_last: true },
  { index: 1, says: 'softer ribs', worked_last: false },
]
const movement = {
  ref: 'bridge/low',
  title: 'Low bridge',
  sides: [side],
  cues: CUES,
  faults: FAULTS,
  do: [],
  setup: [],
  take: [],
  feedback: [],
}
const sheet = sheetOf([movement], { rest_s: 0 })
const begun = (): Run => ready(start(begin(sheet, 'device-0001', new Date(2026, 10, 28, 9), 'specialist')))

beforeEach(() => void vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] }))
async function shown(own = movement) {
  served({})
  const page = await mounted(DoIt, {
    props: { sheet, movement: own, run: begun(), sound: false, vibration: false, canUndo: true },
  })
  /** What the taps so far make of the run, one after the other. */
  const after = (): Run => (page.emitted('tap') ?? []).reduce((run, [change]) => (change as (run: Run) => Run)(run), begun())
  return { page, after }
}
const key = (k: string, target: EventTarget = document.body) =>
  target.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true, cancelable: true }))

it('counts a clean repetition with one tap or one key', async () => {
  const { page, after } = await shown()
  await press(page, 'Clean')
  key(' ')
  key('c')
  expect(after().now.clean + 3 * after().movements[0]!.done.length).toBe(3)
})

it('a space on a button is the press of that button, and no second repetition', async () => {
  const { page, after } = await shown()
  key(' ', page.findAll('button')[0]!.element)
  expect(after().now.clean).toBe(0)
})

it('what is typed into a field is no repetition', async () => {
  const { after } = await shown()
  const field = document.body.appendChild(document.createElement('input'))
  key('c', field)
  key('x', field)
  field.remove()
  expect(after().now).toMatchObject({ clean: 0, withFaults: 0 })
})

it('one that was not clean is named by its own faults, and asked what it means', async () => {
  const { page, after } = await shown()
  await press(page, 'Not clean')
  expect(page.text()).toContain('pelvis drops')
  expect(
    page
      .findAll('.row button')
      .slice(0, 2)
      .every((b) => b.attributes('disabled') !== undefined),
  ).toBe(true)
  key('1')
  await page.vm.$nextTick()
  key('t')
  // Somebody who is tired does not do it better the next time: the set is over.
  expect(after().movements[0]!.done).toMatchObject([{ with_faults: 1, ended_by: 'form', faults: [{ fault: 'drops', meaning: 'tired' }] }])
})

it('who does not notice it sees it, with what helps', async () => {
  const { page } = await shown()
  await press(page, 'Not clean')
  key('1')
  await page.vm.$nextTick()
  key('u')
  await page.vm.$nextTick()
  expect(page.html()).toContain('id="drops"')
  expect(page.text()).toContain('push the floor away')
})

it('a fault without a name is counted all the same', async () => {
  const { page, after } = await shown()
  await press(page, 'Not clean')
  key('9') // there is no ninth fault
  await page.vm.$nextTick()
  expect(page.findAll('.fault[aria-pressed=true]')).toHaveLength(0)
  await page.findAll('.naming .row button').at(-1)!.trigger('click')
  expect(after().now).toMatchObject({ withFaults: 1, clean: 0 })
  expect(page.find('.taps').exists()).toBe(true)
})

it('a hold is timed, and its seconds go with the repetition', async () => {
  const { page, after } = await shown({ ...movement, sides: [{ ...side, hold_s: 5 }] })
  await page.setProps({ run: { ...begun(), movements: [{ ...begun().movements[0]!, plan: [{ side: 'both', target: 3, hold_s: 5 }] }] } })
  await vi.advanceTimersByTimeAsync(5200)
  expect(page.get('.hold').classes()).toContain('enough')
  key('c')
  expect(after().now.held_s).toBeGreaterThan(5)
})

it('the cue that worked last stands first, and the next one comes when it does not', async () => {
  const { page, after } = await shown()
  expect(page.get('.cue').text()).toContain('longer neck')
  await page.findAll('.cue button')[1]!.trigger('click')
  expect(page.get('.cue').text()).toContain('softer ribs')
  await page.findAll('.cue button')[0]!.trigger('click')
  expect(after().movements[0]!.cues).toEqual([
    { cue: 0, worked: false },
    { cue: 1, worked: true },
  ])
})

it('takes back and leaves out', async () => {
  const { page, after } = await shown()
  key('z')
  expect(page.emitted('undo')).toHaveLength(1)
  key('b')
  expect(after().now).toMatchObject({ discarded: 1, clean: 0, withFaults: 0 })
})
