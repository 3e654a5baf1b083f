import { writtenAs } from './language'

/** Days as people write them, in the language of the page; `iso` is a day or a moment of ISO 8601, of which the day or the minute is shown. */
type Parts = Intl.DateTimeFormatOptions
const DAY: Parts = { day: 'numeric', month: 'short', year: 'numeric' }

// A day has no hour: read and written in the same zone, it stays the day that it is.
const written = (at: Date, parts: Parts, timeZone?: string): string =>
  new Intl.DateTimeFormat(writtenAs(), { ...parts, timeZone }).format(at)
const asDay = (iso: string): Date => new Date(`${iso.slice(0, 10)}T00:00:00Z`)

/** '28 Nov 2026'; nothing where there is no day. */
export function dayShown(iso: string | null | undefined): string {
  return iso ? written(asDay(iso), DAY, 'UTC') : ''
}
/** '28 Nov', where the year is plain. */
export function shortDayShown(iso: string): string {
  return written(asDay(iso), { day: 'numeric', month: 'short' }, 'UTC')
}
/** 'Saturday 28 November', for a day that is near. */
export function weekdayShown(iso: string): string {
  return written(asDay(iso), { weekday: 'long', day: 'numeric', month: 'long' }, 'UTC')
}
/** 'Monday' for 0, 'Sunday' for 6. */
export function weekdayNamed(day: number): string {
  return written(new Date(Date.UTC(2024, 0, 1 + day)), { weekday: 'long' }, 'UTC') // that year began on a Monday
}
/** '28 Nov 2026, 09:19', in the zone of the device. */
export function momentShown(iso: string): string {
  return written(new Date(iso), { ...DAY, hour: '2-digit', minute: '2-digit' })
}
