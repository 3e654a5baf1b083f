import { beforeEach, expect, it, vi } from 'vitest'
import { mounted, served } from '../../specs/served'
import Pacer from './Pacer.vue'

const SETTLING = [
  { breath: 'in', seconds: 3, frame: 0 },
  { breath: 'out', seconds: 5, frame: 0 },
  { breath: 'on', seconds: 1, frame: 0 },
]
const BEATS = [
  { breath: 'out', seconds: 2, frame: 1 },
  { breath: 'in', seconds: 2, frame: 0 },
]
const FRAMES = ['<svg id="start"></svg>', '<svg id="end"></svg>']
const OFF = { sound: false, vibration: false }
const shown = (more: Record<string, unknown> = {}) => {
  served({})
  return mounted(Pacer, {
    props: { frames: FRAMES, settling: SETTLING, beats: BEATS, round: '0.0:0', alt: 'Small bridge', ...OFF, ...more },
  })
}
const said = (page: Awaited<ReturnType<typeof shown>>) => page.get('[data-testid=breath]').text()
beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
const later = (s: number) => vi.advanceTimersByTimeAsync(1000 * s)

it('settles first, waits a second, and then moves with the breath', async () => {
  const page = await shown()
  expect(page.find('.settle').exists()).toBe(true)
  const heard = [said(page)]
  for (const s of [3, 5, 1]) {
    await later(s)
    heard.push(said(page))
  }
  expect(new Set(heard).size).toBe(3)
  expect(page.find('.settle').exists()).toBe(false)
  expect(page.html()).toContain('id="end"')
  await later(2)
  expect(page.html()).toContain('id="start"')
})

it('a repetition begins with the contraction and not with two more breaths', async () => {
  const page = await shown()
  await later(11)
  await page.setProps({ round: '0.0:1' })
  expect(page.find('.settle').exists()).toBe(false)
  await later(1)
  expect(page.html()).toContain('id="end"')
})

it('a new set settles anew', async () => {
  const page = await shown()
  await later(11)
  await page.setProps({ round: '0.1:0' })
  expect(page.find('.settle').exists()).toBe(true)
})

it('goes round until it is stopped', async () => {
  const page = await shown()
  await later(9)
  for (let turn = 0; turn < 3; turn++) {
    expect(page.html()).toContain('id="end"')
    await later(4)
  }
})

it('can be felt where it shall not be heard, longer on the way out', async () => {
  const felt: unknown[] = []
  Object.assign(navigator, { vibrate: (how: unknown) => felt.push(how) })
  await shown({ vibration: true })
  await later(3)
  await later(8)
  expect(felt).toEqual([[60, 60, 60], 60, [60, 60, 60], 60])
})

it('stands still where there is nothing to pace, and says what it shows', async () => {
  const page = await shown({ settling: [], beats: [] })
  expect(page.find('[data-testid=breath]').exists()).toBe(false)
  expect(page.get('[role=img]').attributes('aria-label')).toBe('Small bridge')
  expect(page.html()).toContain('id="start"')
})
