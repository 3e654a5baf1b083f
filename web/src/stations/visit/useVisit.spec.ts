import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { watch } from 'vue'
import type { RunSheet } from '../../api/schemas'
import { forgetEverything, keep, waiting } from '../../offline/vault'
import { used } from '../../specs/served'
import { sheetOf } from '../../specs/sheets'
import { begin, clean, ready, start, stopAll } from './run'
import { isFresh, useVisit } from './useVisit'

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

const side = { side: 'both', measures: [], repetitions: 3, sets: 1, hold_s: 0, frames: [], beats: [] }
const movement = { ref: 'sit/tall', sides: [side], cues: [], faults: [], do: [], setup: [], take: [], feedback: [] }
const copy = {
  copy_hours: 72,
  name: '',
  sheet: sheetOf([movement]),
} as unknown as RunSheet
const oneClean = () => clean(ready(start(begin(copy.sheet, 'device-0001', new Date(2026, 10, 27, 9, 30), 'specialist'))))

describe('a session without a network', () => {
  beforeEach(async () => {
    await forgetEverything()
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')))
    await keep('sheet:one', copy)
  })

  it('shows that it has ended only when its stop sign cannot be lost any more', async () => {
    await keep('run:one', oneClean())
    const visit = used(() => useVisit('one', () => 'specialist'))
    await visit.open()
    expect(visit.run.value?.phase).toBe('set')
    const keptWhenShown: Promise<string[]>[] = []
    watch(
      () => visit.run.value?.phase,
      () => keptWhenShown.push(waiting().then((rows) => rows.map((r) => r.kind))),
      { flush: 'sync' },
    )
    await visit.stop('chest_pain')
    expect(visit.run.value?.phase).toBe('stopped')
    expect((await keptWhenShown[0])![0]).toBe('stop_sign')
    expect((await waiting()).map((r) => r.kind)).toEqual(['stop_sign', 'visit'])
  })

  it('hands over what ended before its page died', async () => {
    await keep('run:one', stopAll(oneClean(), 0))
    const visit = used(() => useVisit('one', () => 'specialist'))
    await visit.open()
    expect((await waiting()).map((r) => [r.kind, r.id])).toEqual([['visit', 'device-0001']])
    expect(visit.run.value?.phase).toBe('before')
  })
})
