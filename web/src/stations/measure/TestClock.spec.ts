import { beforeEach, expect, it, vi } from 'vitest'
import { mounted, press, served } from '../../specs/served'
import TestClock from './TestClock.vue'

beforeEach(() => void vi.useFakeTimers({ toFake: ['performance', 'setInterval', 'clearInterval', 'Date'] }))
const shown = (kind: string) => {
  served({})
  return mounted(TestClock, { props: { kind } })
}

it('a stopwatch gives the seconds at which it was stopped', async () => {
  const clock = await shown('stopwatch')
  await press(clock, 'Start')
  await vi.advanceTimersByTimeAsync(7240)
  expect(clock.get('output').text()).toContain('7.2')
  await press(clock, 'Stop')
  expect(clock.emitted('value')!.at(-1)![0]).toBeCloseTo(7.2, 5)
})

it('it goes on from where it stood, and begins anew when it was put back', async () => {
  const clock = await shown('stopwatch')
  await press(clock, 'Start')
  await vi.advanceTimersByTimeAsync(3000)
  await press(clock, 'Stop')
  await vi.advanceTimersByTimeAsync(60_000) // nobody times this
  await press(clock, 'Start')
  await vi.advanceTimersByTimeAsync(2000)
  await press(clock, 'Stop')
  expect(clock.emitted('value')!.at(-1)![0]).toBeCloseTo(5, 5)
  await press(clock, 'Reset')
  expect(clock.get('output').text()).toContain('0.0')
})

it('a counter runs down from half a minute and ends by itself', async () => {
  const clock = await shown('counter')
  await press(clock, 'Start')
  await press(clock, 'Count')
  await press(clock, 'Count')
  await vi.advanceTimersByTimeAsync(30_100)
  expect(clock.get('output').text()).toContain('0.0')
  expect(clock.emitted('value')!.map(([n]) => n)).toEqual([1, 2]) // the seconds are no result of it
  expect(clock.findAll('button').some((b) => b.text() === 'Start')).toBe(true)
})
