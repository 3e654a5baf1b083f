import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import { isFresh } from './useVisit'

const HOUR = 3_600_000

describe('a copy on this device', () => {
  it.each([
    [71.9, true],
    [72, true],
    [72.1, false],
    [-0.9, true], // the clock was put back by the end of summer time
    [-1.1, false], // made by a clock that cannot be believed
  ])('that is %d hours old may be run: %s', (hours, may) => {
    const now = new Date(2026, 10, 27, 9).getTime()
    expect(isFresh(now - hours * HOUR, 72, now)).toBe(may)
  })
})
