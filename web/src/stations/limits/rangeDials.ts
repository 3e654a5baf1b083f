import type { Limit, Screen } from '../../api/types'

export interface Dial { title: string; side: string; view: string; available: number; free: number; loaded: number; full: number }

const SHOWN = [
  ['Rounding', 'trunk_flexion', 'from the side', 80, 'unloaded_trunk_flexion_deg', 'loaded_trunk_flexion_deg'],
  ['Arching', 'trunk_extension', 'from the side', 25, 'trunk_extension_deg', 'trunk_extension_deg'],
  ['Side bend', 'trunk_side_bend', 'from the front', 35, 'trunk_side_bend_deg', 'trunk_side_bend_deg'],
  ['Turning', 'trunk_rotation', 'from above', 45, 'trunk_rotation_deg', 'trunk_rotation_deg'],
] as const
const HIPS = [['Hip bend', 'hip_flexion', 120], ['Straight-leg raise', 'straight_leg_raise', 75]] as const

function bound(limits: Limit[], name: string, available: number): number {
  const own = limits.filter((l) => (l.quantity === name || l.quantity.endsWith(`.${name}`)) && !l.at_least && l.strength !== 'caution')
  return Math.min(available, ...own.map((l) => l.bound))
}

/** Available and permitted range per direction, as the core found them. */
export function dials(screen: Screen): Dial[] {
  const ranges = screen.findings.ranges_deg
  const trunk = SHOWN.map(([title, range, view, full, free, loaded]) => {
    const available = ranges[range]
    return { title, side: '', view, full, available, free: bound(screen.limits, free, available), loaded: Math.min(bound(screen.limits, loaded, available), bound(screen.limits, free === loaded ? free : loaded, available)) }
  })
  const hips = HIPS.flatMap(([title, range, full]) => (['left', 'right'] as const).map((side) => {
    const available = ranges[`${side}.${range}`]
    const line = range === 'straight_leg_raise' ? bound(screen.limits.filter((l) => l.quantity.startsWith(side)), 'neural_line_deg', available) : available
    return { title, side, view: 'from the side', full, available, free: line, loaded: line }
  }))
  return [...trunk, ...hips]
}
