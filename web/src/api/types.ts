/** The core's answers as the server passes them on. */
export interface Limit { id: string; quantity: string; title: string; bound: number; at_least: boolean; unit: string; condition: string; strength: 'forbidden' | 'limit' | 'caution'; reason: string; source: string; says: string; measure: string; review_on: string | null; valid_until: string | null; next_grade: string; grade: number; grades: number; waits_for: string; only_step: string; set_by: string }
export interface Breach { limit: string; quantity: string; title: string; value: number | null; bound: number; unit: string; says: string; reason: string; source: string; measure: string }
export interface Change { what: string; parameter: string; from: number | string; to: number | string; unit: string; limit: string; says: string }
export type VerdictKind = 'as_is' | 'modified' | 'excluded' | 'by_override'
export type Values = Record<string, number | string>
export interface Verdict { family: string; step: string; side: string; context: string; verdict: VerdictKind; values: Values; original_values: Values; cautions: Breach[]; assumed: string[]; changes: Change[]; reasons: Breach[]; fault: string; instead: string[] }
export interface Field { name: string; title: string; unit: string; kind: string; low: number; high: number; optional: boolean; first: unknown; choices: { value: string; title: string }[] }
export interface ConditionForm { kind: string; title: string; group: string; about: string; asks: Field[] }
export interface TestInfo { id: string; title: string; group: string; unlocks: string; position: string; trials: string; validity_days: number; change_band: number | null; measures: string; protocol: string[]; safety: string; per_side: boolean; timer: string; gate: boolean; source: string; fields: Field[] }
export interface Parameter { id: string; title: string; unit: string; low: number; high: number; grid: number; easier: string; choices: string[] }
export interface Movement { family: string; step: string; title: string; family_title: string; step_title: string; about: string; position: string; purposes: Record<string, number>; sides: boolean; effort: number; props: string[]; setup: string[]; cues: string[]; felt: string; not_felt: string; breath: string; faults: { name: string; seen: string; means: string; cue: string }[]; dose: { repetitions: number; sets: number; hold_s: number; note: string }; parameters: Parameter[] }
export interface RuleNumber { id: string; value: number; unit: string; says: string; source: string; since: string }
export interface Rule { id: string; title: string; about: string; sources: string[]; since: string; checked: string; check_again: string; numbers: RuleNumber[]; examples: string[] }
export interface QuantityInfo { id: string; title: string; unit: string; sentence: string; sided: boolean }
export interface Reference { stop_signs: { id: string; title: string; emergency: boolean }[]; conditions: ConditionForm[]; quantities: QuantityInfo[]; tests: TestInfo[]; movements: Movement[]; rules: Rule[]; rulebook_version: string }
export interface Screen {
  stop_signs: { id: string; title: string; emergency: boolean; next_step: string }[]
  findings: { age_years: number; bone: { tier: string; assumed: boolean; reasons: string[] }; fall_signs: string[]; ranges_deg: Record<string, number>; readings: { index: number; test: string; on: string; side: string | null; text: string; level: string; source: string }[] }
  limits: Limit[]; obligations: { id: string; title: string; days_per_week: number; reason: string; source: string }[]; referrals: { id: string; text: string; source: string }[]; assumptions: { id: string; text: string; test: string }[]; aged: string[]
  contradictions: { path: string; text: string }[]; sign_offs: { clears: string; title: string; limits: string[] }[]; stop_questions: string[]
}
export interface Station { id: string; state: string; note: string }
export interface Seat { name: string; height_cm: number; arms: boolean; castors: boolean }
export interface CaseData { as_of: string; person: Record<string, string | number | null>; consent: { on: string; given_by: string; capacity_confirmed: boolean } | null; stop_signs: { asked_on: string; present: string[] } | null; conditions: Record<string, unknown>[]; tests: Record<string, unknown>[]; room: { name: string; seats: Seat[]; wall: boolean; worktop: boolean; floor_mat: boolean; bed_height_cm: number | null; props: string[] }; tolerates: Record<string, string>; understanding: { by: string[]; dislikes: string[] }; clinician_words: Record<string, unknown>[]; own_limits: Record<string, unknown>[]; reviews: Record<string, unknown>[]; wishes: { minutes: number; effort_0_to_10: number; days_per_week: number; dislikes: string[]; goals: string[] } }
export interface ClientView { id: string; revision: number; case: CaseData; screen: Screen; stations: Station[]; fits: { what: string; value_cm: number; says: string }[]; refused: { what: string; reason: string }[]; ranges: { id: string; title: string; available: number; free: number; loaded: number }[] }
export interface LimitEffects { effects: Record<string, { closes: string[]; alone: string[]; next_grade_opens: string[] }>; since: string; moved: MovedLimit[] }
export interface MovedLimit { id: string; change: 'new' | 'gone' | 'moved'; says: string; was: string }
export interface HistoryEntry { revision: number; on: string; by: string; reason: string; limits: MovedLimit[] }
export interface DryRun { clients: { id: string; name: string; limits: MovedLimit[]; opens: string[]; closes: string[] }[]; untouched: number }
export interface DayLine { id: string; name: string; age_years: number; visit_at: string | null; station: string; action: string; tone: string; conditions: string[] }
export interface ProgrammeMove { ref: string; title: string; position: string; sides: string[]; values: Values; repetitions: number; sets: number; hold_s: number; minutes: number; verdict: VerdictKind; why: string; effort: number }
export interface Programme { id: string; number: number; context: string; made_by: string; case_digest: string; rulebook_version: string; answer: { movements: ProgrammeMove[]; obligations: { id: string; title: string; covered_by: string[]; why_not: string }[]; changes_of_position: number; minutes: number; optimal: boolean; gap: number; why_not: Record<string, string>; uncovered: Record<string, string> }; violations: { ref: string; side: string; why: string }[] }
export interface Tried { verdict: Verdict; profile: { fault: string; peaks: Record<string, number> }; svg: string; modified_svg: string }
export interface DueTest { test: string; title: string; group: string; gate: boolean; decides: number; expected: number; unsafe: string; instead: string; why: string; outcomes: { says: string; probability: number; changes: number; steps: string[] }[] }
