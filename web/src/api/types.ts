/** The core's answers as the server passes them on. */
export interface Limit {
  id: string
  because_of: string
  quantity: string
  title: string
  bound: number
  at_least: boolean
  unit: string
  condition: string
  at_home: boolean
  bound_in_words: string
  strength: 'forbidden' | 'limit' | 'caution'
  reason: string
  source: string
  says: string
  measure: string
  review_on: string | null
  valid_until: string | null
  next_grade: string
  grade: number
  grades: number
  waits_for: string
  only_step: string
  set_by: string
  origin: Origin
  opened_by: Opener[]
}
export interface Breach {
  limit: string
  quantity: string
  title: string
  value: number | null
  bound: number
  unit: string
  says: string
  reason: string
  source: string
  measure: string
  here: string
  origin: Origin
  opened_by: Opener[]
}
export interface Change {
  what: string
  parameter: string
  from: number | string
  to: number | string
  unit: string
  limit: string
  says: string
}
export type VerdictKind = 'as_is' | 'modified' | 'excluded' | 'by_override' | 'not_judged'
/** Why a limit is there: a rule that a finding meets, what nobody has shown yet, or a person's word. */
export type Origin = 'rule' | 'not_shown' | 'clinician' | 'specialist'
export interface Opener {
  test: string
  title: string
}
export type Values = Record<string, number | string>
export interface Verdict {
  family: string
  step: string
  side: string
  context: string
  verdict: VerdictKind
  values: Values
  original_values: Values
  cautions: Breach[]
  assumed: string[]
  changes: Change[]
  reasons: Breach[]
  fault: string
  instead: string[]
}
export interface Field {
  name: string
  title: string
  unit: string
  kind: string
  low: number
  high: number
  optional: boolean
  first: unknown
  choices: { value: string; title: string }[]
}
export interface ConditionForm {
  kind: string
  title: string
  group: string
  about: string
  asks: Field[]
}
export interface TestInfo {
  id: string
  title: string
  group: string
  unlocks: string
  position: string
  trials: string
  validity_days: number
  change_band: number | null
  measures: string
  protocol: string[]
  safety: string
  per_side: boolean
  timer: string
  gate: boolean
  source: string
  fields: Field[]
}
export interface Parameter {
  id: string
  title: string
  unit: string
  low: number
  high: number
  grid: number
  easier: string
  choices: string[]
}
export interface Movement {
  family: string
  step: string
  title: string
  family_title: string
  step_title: string
  about: string
  position: string
  purposes: Record<string, number>
  below: string
  above: string
  after: string[]
  sides: boolean
  effort: number
  props: string[]
  setup: string[]
  cues: string[]
  felt: string
  not_felt: string
  breath: string
  faults: { name: string; seen: string; means: string; cue: string }[]
  dose: { repetitions: number; sets: number; hold_s: number; note: string }
  parameters: Parameter[]
}
export interface RuleNumber {
  id: string
  value: number
  unit: string
  says: string
  source: string
  since: string
}
/** One work or saying that a number comes from, part by part. */
export interface Source {
  kind: 'publication' | 'guideline' | 'practice' | 'ours' | 'word' | 'model'
  authors: string
  year: number | null
  title: string
  where: string
  quoted_for: string
  reading: boolean
  from_memory: boolean
  says: string
}
export interface Rule {
  id: string
  title: string
  about: string
  sources: Source[]
  since: string
  read_on: string
  check_again_on: string
  check_by: string
  duties: string[]
  numbers: RuleNumber[]
  examples: string[]
}
/** Why a line wants a clinician's eye. */
export type Doubt = 'ours' | 'practice' | 'memory'
export interface LineSignature {
  agrees: boolean
  remark: string
  name: string
  profession: string
  on: string
  still_the_same: boolean
}
export interface SignedLine {
  rule: string
  title: string
  number: string
  says: string
  value: number | null
  unit: string
  source: string
  work: string
  doubt: Doubt
  check_by: string
  digest: string
  signature: LineSignature | null
}
export interface QuantityInfo {
  id: string
  title: string
  unit: string
  sentence: string
  sided: boolean
}
export interface ProfessionInfo {
  id: 'physician' | 'surgeon' | 'midwife' | 'physiotherapist' | 'occupational_therapist' | 'nurse' | 'other'
  may_clear: boolean
}
export interface Reference {
  stop_signs: { id: string; title: string; emergency: boolean }[]
  conditions: ConditionForm[]
  quantities: QuantityInfo[]
  professions: ProfessionInfo[]
  tests: TestInfo[]
  movements: Movement[]
  rules: Rule[]
  rulebook_version: string
  longest_override_days: number
}
export interface Screen {
  stop_signs: { id: string; title: string; emergency: boolean; missing: boolean; next_step: string }[]
  findings: {
    age_years: number
    bone: { tier: string; assumed: boolean; reasons: string[] }
    fall_signs: string[]
    ranges_deg: Record<string, number>
    readings: { index: number; test: string; on: string; side: string | null; text: string; level: string; source: string }[]
  }
  limits: Limit[]
  obligations: { id: string; title: string; days_per_week: number; reason: string; source: string }[]
  referrals: { id: string; text: string; source: string }[]
  assumptions: { id: string; text: string; test: string }[]
  aged: string[]
  contradictions: { path: string; text: string }[]
  sign_offs: { clears: string; title: string; limits: string[] }[]
  stop_questions: string[]
}
export interface Station {
  id: string
  state: string
  note: string
}
export type Firmness = 'firm' | 'soft' | 'unknown'
export interface Seat {
  name: string
  height_cm: number
  depth_cm: number | null
  firmness: Firmness
  arms: boolean
  castors: boolean
}
export interface RoomProp {
  kind: string
  size_cm: number | null
  count: number
}
export interface Room {
  name: string
  used_for: 'both' | 'home' | 'visit'
  seats: Seat[]
  wall: boolean
  worktop: boolean
  worktop_height_cm: number | null
  table_height_cm: number | null
  low_table_height_cm: number | null
  floor_mat: boolean
  free_floor_cm: number | null
  floor_grip: 'grips' | 'slips' | 'unknown'
  soles: 'good_soles' | 'bare_feet' | 'socks' | 'unknown'
  bed_height_cm: number | null
  bed_firmness: Firmness
  rail: boolean
  rail_height_cm: number | null
  anchor: boolean
  props: RoomProp[]
}
export interface Fit {
  id: string
  title: string
  value: number
  low: number
  high: number
  unit: string
  says: string
  made_of: string
  fits: boolean
  source: string
  svg: string
}
export interface RoomFits {
  fits: Fit[]
  refused: { what: string; reason: string }[]
}
export interface PropKind {
  kind: string
  title: string
  usual_cm: number
  stand_in: string
}
export type Reached = 'yes' | 'no' | 'unknown'
export type Position =
  | 'floor'
  | 'lying_flat'
  | 'lying_propped'
  | 'face_down'
  | 'left_side'
  | 'right_side'
  | 'kneeling'
  | 'hands_and_knees'
  | 'sitting_unsupported'
  | 'standing'
export type Tolerates = Record<Position, Reached> & {
  bed_transfer: string
  sitting_minutes: number | null
  standing_minutes: number | null
  helper_at_home: 'nobody' | 'somebody' | 'shown_how'
}
export interface Word {
  kind: 'forbids' | 'limits' | 'clears'
  name: string
  role: string
  on: string
  document: string
  quantity: string
  step: string
  clears: string
  recorded_by: string
  reported: boolean
  confirmed_by: string
  withdrawn_on: string | null
}
export interface KeptOverride {
  step: string
  by: string
  reason: string
  expires_on: string
  withdrawn_on: string | null
}
export interface CaseData {
  as_of: string
  person: Record<string, string | number | null>
  consent: { on: string; given_by: string; capacity_confirmed: boolean } | null
  stop_signs: { asked_on: string; present: string[] } | null
  conditions: Record<string, unknown>[]
  tests: Record<string, unknown>[]
  room: Room
  other_rooms: Room[]
  tolerates: Tolerates
  understanding: { by: string[]; dislikes: string[] }
  clinician_words: Word[]
  overrides: KeptOverride[]
  own_limits: Record<string, unknown>[]
  reviews: Record<string, unknown>[]
  schools?: Record<string, string>
  family_schools?: Record<string, Record<string, string>>
  wishes: {
    minutes: number
    effort_0_to_10: number
    days_per_week: number
    at: string
    medicine_hours: string[]
    dislikes: string[]
    goals: string[]
  }
}
export interface ClientView {
  id: string
  revision: number
  digest: string
  case: CaseData
  screen: Screen
  stations: Station[]
  ranges: { id: string; title: string; available: number; free: number; loaded: number }[]
}
export interface LimitEffects {
  effects: Record<string, { closes: string[]; alone: string[]; next_grade_opens: string[] }>
  since: string
  moved: MovedLimit[]
}
export interface MovedLimit {
  id: string
  change: 'new' | 'gone' | 'moved'
  says: string
  was: string
}
export interface HistoryEntry {
  revision: number
  on: string
  by: string
  reason: string
  limits: MovedLimit[]
}
export interface DryRun {
  clients: { id: string; name: string; limits: MovedLimit[]; opens: string[]; closes: string[] }[]
  untouched: number
}
export interface DayPage {
  lines: DayLine[]
  more: boolean
}
export interface DayLine {
  id: string
  name: string
  age_years: number
  visit_at: string | null
  station: string
  action: string
  tone: string
  conditions: string[]
}
export interface ProgrammeMove {
  ref: string
  title: string
  position: string
  sides: string[]
  side_words?: string
  values: Values
  repetitions: number
  sets: number
  hold_s: number
  minutes: number
  verdict: VerdictKind
  why: string
  effort: number
  extra_side?: string
  stand_ins?: string[]
}
export interface NeedServed {
  purpose: string
  title: string
  weight: number
  percent: number
  because: string[]
}
/** How a position is reached and left. */
export interface WayThere {
  to: string
  says: string
  technique: string
  title: string
  open: boolean
  stages: { ref: string; title: string; side: string; values: Values; setup: string[] }[]
  closed_by: string[]
}
export interface ProgrammeAnswer {
  movements: ProgrammeMove[]
  ways?: WayThere[]
  obligations: { id: string; title: string; covered_by: string[]; why_not: string; days_per_week?: number }[]
  needs?: NeedServed[]
  changes_of_position: number
  minutes: number
  optimal: boolean
  by_hand?: boolean
  gap: number
  conflict?: string
  rests?: { every: number; seconds: number; says: string }
  warnings?: string[]
  locked?: string[]
  load_minutes?: number
  load_budget_minutes?: number
  why_not: Record<string, string>
  uncovered: Record<string, string>
}
export interface Programme {
  client: string
  id: string
  number: number
  context: string
  made_by: string
  case_digest: string
  rulebook_version: string
  answer: ProgrammeAnswer
  violations: { ref: string; side: string; why: string }[]
  can_undo: boolean
  can_redo: boolean
}
export interface Version {
  number: number
  made_by: string
  context: string
  created_at: string
  minutes: number
  movements: string[]
  only_here: string[]
  only_now: string[]
}
export interface WhatIf {
  id: string
  says: string
  comes: string[]
  goes: string[]
  worth: number
  minutes: number
}
export interface WeekSession {
  day: number
  title: string
  at: string
  rows: number[]
  minutes: number
  light: boolean
}
export interface Week {
  sessions: WeekSession[]
  short: Record<string, string>
  rest_days: number[]
  optimal: boolean
}
export interface OwnText {
  key: string
  title: string
  where: string
  text: string
}
export interface Steady {
  frame: string
  push_n: number
  push_from: string
  friction_needed: number
}
export interface SuggestedHold {
  suggested_s: number
  low_s: number
  high_s: number
  from_test: string
  measured_s: number
  source: string
}
export interface Tried {
  verdict: Verdict | null
  profile: { fault: string; peaks: Record<string, number> }
  svg: string
  modified_svg: string
  lines: Record<string, string>
  steady: Steady[]
  hold: SuggestedHold | null
}
/** What a slider shows at one of its stops; the verdict speaks of the pose as it stands there, null when it was only posed. */
export interface Stop {
  value: number
  verdict: Verdict | null
  peaks: Record<string, number>
  fault: string
  svg: string
}
export interface Movie {
  frames: string[]
  beats: { frame: number; seconds: number; breath: 'in' | 'out' | 'on' }[]
}
export interface SchoolQuestion {
  id: string
  title: string
  chosen: string
  because: string
  changes: string[]
  options: { id: string; title: string; why: string; refused: string }[]
  by_family: Record<string, string>
}
export interface DueTest {
  test: string
  title: string
  group: string
  gate: boolean
  decides: number
  expected: number
  unsafe: string
  instead: string
  why: string
  outcomes: { says: string; probability: number; changes: number; steps: string[] }[]
}
