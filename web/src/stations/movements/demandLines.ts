import type { Limit } from '../../api/schemas'

export interface DemandLine {
  title: string
  value: string
  bound: string
  over: boolean
}

const SHOWN: [string, string, string][] = [
  ['Rounding', 'trunk_flexion_deg', '°'],
  ['Arching', 'trunk_extension_deg', '°'],
  ['Turn', 'trunk_rotation_deg', '°'],
  ['Hip bend', 'hip_flexion_deg', '°'],
  ['Knee bend', 'knee_flexion_deg', '°'],
  ['Arm raise', 'shoulder_elevation_deg', '°'],
  ['Hand carries', 'hand_support_percent_bw', ' %'],
  ['Wrist bend under load', 'loaded_wrist_extension_deg', '°'],
  ['Pelvic control', 'pelvic_flexion_moment_nm', ' N·m'],
  ['Compression T12/L1', 'compression_t12_l1_n', ' N'],
  ['Compression L4/5', 'compression_l4_l5_n', ' N'],
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
  return SHOWN.flatMap(([title, name, unit]) => {
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
        bound: bound === undefined ? '' : `≤ ${bound}${unit}`,
        over: bound !== undefined && value > bound + 0.05,
      },
    ]
  })
}
