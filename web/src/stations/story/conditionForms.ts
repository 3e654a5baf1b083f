/** What each condition asks next. The fields are the core's; the words are the interface's. */
export interface Ask { name: string; title: string; kind: 'choice' | 'number' | 'date' | 'yes_no'; unit?: string; low?: number; high?: number; choices?: [string, string][]; first?: unknown; optional?: boolean }
export interface ConditionForm { kind: string; title: string; asks: Ask[] }

const SIDE: Ask = { name: 'side', title: 'Side', kind: 'choice', choices: [['left', 'Left'], ['right', 'Right']], first: 'left' }

export const CONDITIONS: ConditionForm[] = [
  { kind: 'fracture', title: 'Broken bone', asks: [
    { name: 'site', title: 'Where', kind: 'choice', first: 'wrist', choices: [['spine', 'Spine'], ['hip', 'Hip'], ['pelvis', 'Pelvis'], ['humerus', 'Upper arm'], ['forearm', 'Forearm'], ['wrist', 'Wrist'], ['rib', 'Rib'], ['ankle', 'Ankle'], ['other', 'Elsewhere']] },
    { name: 'on', title: 'When', kind: 'date' },
    { name: 'from_standing_height_or_less', title: 'From standing height or less', kind: 'yes_no', first: true },
    { name: 'healed', title: 'Healed', kind: 'yes_no', first: true }, { name: 'painful', title: 'Still painful', kind: 'yes_no', first: false }] },
  { kind: 'fall', title: 'Fall in the last year', asks: [{ name: 'on', title: 'When', kind: 'date' }, { name: 'injury', title: 'With injury', kind: 'yes_no', first: false }] },
  { kind: 'fear_of_falling', title: 'Fear of falling', asks: [{ name: 'confidence_0_to_10', title: 'Confidence in standing, 0–10', kind: 'number', low: 0, high: 10, first: 5 }] },
  { kind: 'wrist_trouble', title: 'Painful wrist', asks: [SIDE, { name: 'tolerated_extension_deg', title: 'Bends back under load without pain', kind: 'number', unit: '°', low: 0, high: 90, optional: true }, { name: 'tolerated_load_percent_bw', title: 'Carries without pain', kind: 'number', unit: '% of body weight', low: 0, high: 100, optional: true }] },
  { kind: 'knee_trouble', title: 'Painful knee', asks: [SIDE, { name: 'tolerated_loaded_flexion_deg', title: 'Bends under load without pain', kind: 'number', unit: '°', low: 0, high: 140, optional: true }, { name: 'kneeling', title: 'Kneeling', kind: 'choice', first: 'unknown', choices: [['tolerated', 'Tolerated'], ['padded', 'On a pad'], ['not_tolerated', 'Not tolerated'], ['unknown', 'Not tried']] }] },
  { kind: 'shoulder_trouble', title: 'Painful shoulder', asks: [SIDE, { name: 'tolerated_elevation_deg', title: 'Arm raises without pain', kind: 'number', unit: '°', low: 0, high: 180, optional: true }, { name: 'tolerated_load_percent_bw', title: 'Carries without pain', kind: 'number', unit: '% of body weight', low: 0, high: 100, optional: true }] },
  { kind: 'flexion_sciatica', title: 'Leg pain when bending', asks: [SIDE, { name: 'since', title: 'Since', kind: 'date' }, { name: 'provoking_neural_line_deg', title: 'Leg raise at which the pain begins', kind: 'number', unit: '°', low: 0, high: 160, optional: true }, { name: 'rotation_provokes', title: 'Turning provokes it too', kind: 'yes_no', first: false }] },
  { kind: 'glucocorticoid', title: 'Steroid tablets', asks: [{ name: 'mg_per_day', title: 'Dose a day (as prednisolone)', kind: 'number', unit: 'mg', low: 0.5, high: 200, first: 5 }, { name: 'months', title: 'For how long', kind: 'number', unit: 'months', low: 0.5, high: 600, first: 4 }] },
  { kind: 'early_menopause', title: 'Early menopause', asks: [] },
  { kind: 'denosumab', title: 'Denosumab', asks: [{ name: 'last_dose_on', title: 'Last dose', kind: 'date' }] },
]

/** A condition with its first answers. */
export function begun(form: ConditionForm, today: string): Record<string, unknown> {
  const out: Record<string, unknown> = { kind: form.kind }
  for (const ask of form.asks) {
    if (ask.kind === 'date') out[ask.name] = today
    else if (ask.first !== undefined) out[ask.name] = ask.first
  }
  return out
}
