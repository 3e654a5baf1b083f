import { describe, expect, it } from 'vitest'
import { speak } from '.'
import { dayShown, momentShown, shortDayShown, weekdayShown } from './days'

describe('days as people write them', () => {
  it('stand in the language of the page, the day first', async () => {
    expect(dayShown('2026-03-05')).toBe('5 Mar 2026')
    expect(shortDayShown('2026-03-05')).toBe('5 Mar')
    expect(weekdayShown('2026-03-05')).toBe('Thursday 5 March')
    await speak('de')
    expect(dayShown('2026-10-05')).toBe('5. Okt. 2026')
    expect(shortDayShown('2026-10-05')).toBe('5. Okt.')
  })
  it('stay the same day wherever the device stands', () => {
    expect(dayShown('2026-01-01')).toBe('1 Jan 2026')
    expect(dayShown('2026-12-31')).toBe('31 Dec 2026')
    expect(dayShown('2026-12-31T23:59:00+00:00')).toBe('31 Dec 2026')
  })
  it('are nothing where there is none', () => {
    expect(dayShown('')).toBe('')
    expect(dayShown(null)).toBe('')
    expect(dayShown(undefined)).toBe('')
  })
  it('have the hour of the device where the moment counts', () => {
    const local = new Date('2026-11-28T09:19:00Z')
    expect(momentShown('2026-11-28T09:19:00Z')).toContain(`${String(local.getHours()).padStart(2, '0')}:19`)
  })
})
