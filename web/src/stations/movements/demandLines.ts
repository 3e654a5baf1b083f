import type { Limit } from '../../api/schemas'
import { say, type MessageKey } from '../../i18n'
import { numberShown } from '../../i18n/numbers'

export interface DemandLine {
  title: string
  value: string
  bound: string
  over: boolean
}

const SHOWN: [MessageKey, string, string][] = [
  ['demand.rounding', 'trunk_flexion_deg', '°'],
  ['demand.arching', 'trunk_extension_deg', '°'],
  ['demand.turn', 'trunk_rotation_deg', '°'],
  ['demand.hip', 'hip_flexion_deg', '°'],
  ['demand.knee', 'knee_flexion_deg', '°'],
  ['demand.arm', 'shoulder_elevation_deg', '°'],
  ['demand.hand', 'hand_support_percent_bw', ' %'],
  ['demand.wrist', 'loaded_wrist_extension_deg', '°'],
  ['demand.pelvis', 'pelvic_flexion_moment_nm', ' N·m'],
  ['demand.press_t12', 'compression_t12_l1_n', ' N'],
  ['demand.press_l4', 'compression_l4_l5_n', ' N'],
]
const SAME: Record<string, string[]> = {
  trunk_flexion_deg: ['loaded_trunk_flexion_deg', 'unloaded_trunk_flexion_deg', 'held_trunk_flexion_deg'],
}

function peak(peaks: Record<string, number>, name: string): number | undefined {
  const found = [peaks[name], peaks[`left.${name}`], peaks[`right.${name}`]].filter((v): v is number => v !== undefined)
  return found.length ? Math.max(...found) : undefined
}

/** The loads of a pose worth reading, with the bound where there is one. */
export function demandLines(peaks: Record<string, number>, limits: Limit[]): DemandLine[] {
  return SHOWN.flatMap(([key, name, unit]) => {
    const title = say(key)
    const value = peak(peaks, name)
    if (value === undefined || value < 0.5) return []
    const names = [name, ...(SAME[name] ?? [])]
    const own = limits.filter((l) => !l.at_least && names.some((n) => l.quantity === n || l.quantity.endsWith(`.${n}`)))
    const bounds = own.filter((l) => (peak(peaks, l.quantity.replace(/^(left|right)\./, '')) ?? 0) > 0).map((l) => l.bound)
    const bound = bounds.length ? Math.min(...bounds) : undefined
    return [
      {
        title,
        value: `${Math.round(value)}${unit}`,
        bound: bound === undefined ? '' : `≤ ${numberShown(bound)}${unit}`,
        over: bound !== undefined && value > bound + 0.05,
      },
    ]
  })
}
