import type { Symptom } from '../../api/schemas'

/** Places of the body, from head to foot. */
export const WHERE = [
  'head',
  'neck',
  'shoulder',
  'arm',
  'wrist',
  'chest',
  'upper_back',
  'low_back',
  'belly',
  'pelvic_floor',
  'groin',
  'buttock',
  'hip',
  'thigh',
  'knee',
  'calf',
  'foot',
] as const satisfies readonly Symptom['where'][]
export const WHAT = [
  'pain',
  'pinching',
  'tingling',
  'pain_down_the_leg',
  'pelvic_pressure',
  'dizziness',
  'breathlessness',
] as const satisfies readonly Symptom['what'][]
