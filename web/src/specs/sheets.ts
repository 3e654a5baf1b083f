import type { RunMovement, Sheet } from '../api/schemas'

/** The sheet of a session of these movements, with nothing else on it. */
export const sheetOf = (movements: unknown[], more: Partial<Sheet> = {}): Sheet => ({
  session: 'A',
  context: 'visit',
  settling: [],
  movements: movements as RunMovement[],
  ways: [],
  stop_signs: [],
  sensed: [],
  asks_pressure: false,
  rest_s: 30,
  stops_at_rise: 2,
  ...more,
})
