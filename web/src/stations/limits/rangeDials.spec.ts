import { expect, test } from 'vitest'
import type { Limit, Screen } from '../../api/types'
import { dials } from './rangeDials'

const ranges: Record<string, number> = { trunk_flexion: 40, trunk_extension: 12.5, trunk_side_bend: 17.5, trunk_rotation: 22.5 }
for (const side of ['left', 'right']) Object.assign(ranges, { [`${side}.hip_flexion`]: 110, [`${side}.straight_leg_raise`]: 60 })
const limit = (quantity: string, bound: number, strength: Limit['strength'] = 'limit') => ({ quantity, bound, strength, at_least: false }) as Limit
const screen = (limits: Limit[]) => ({ findings: { ranges_deg: ranges }, limits }) as unknown as Screen
const dial = (limits: Limit[], title: string, side = '') => dials(screen(limits)).find((d) => d.title === title && d.side === side)!

test('without limits the whole available range may be used', () => {
  expect(dial([], 'Rounding')).toMatchObject({ available: 40, free: 40, loaded: 40, full: 80 })
})

test('loaded and unloaded bounds are shown apart, and never above what is available', () => {
  const limits = [limit('loaded_trunk_flexion_deg', 10, 'forbidden'), limit('unloaded_trunk_flexion_deg', 90)]
  expect(dial(limits, 'Rounding')).toMatchObject({ free: 40, loaded: 10 })
})

test('the strictest of several bounds shows, and a caution does not bind', () => {
  expect(dial([limit('trunk_rotation_deg', 11), limit('trunk_rotation_deg', 10)], 'Turning').free).toBe(10)
  expect(dial([limit('trunk_rotation_deg', 5, 'caution')], 'Turning').free).toBe(22.5)
})

test('a nerve line binds its own side only', () => {
  const limits = [limit('left.neural_line_deg', 42)]
  expect(dial(limits, 'Straight-leg raise', 'left').loaded).toBe(42)
  expect(dial(limits, 'Straight-leg raise', 'right').loaded).toBe(60)
})
