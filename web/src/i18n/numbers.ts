import type { Language } from '.'
import { language } from '.'

/** Numbers as people write them, in the language of the page; `places` fixes the decimals, without it there are as many as there are. */
const WRITTEN: Record<Language, string> = { en: 'en-GB', de: 'de' }
const MOST_PLACES = 6

export function numberShown(value: number, places?: number): string {
  const own = { minimumFractionDigits: places ?? 0, maximumFractionDigits: places ?? MOST_PLACES, useGrouping: false }
  return new Intl.NumberFormat(WRITTEN[language()], own).format(value).replace(/^-/, '−')
}
