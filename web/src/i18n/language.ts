import { createI18n } from 'vue-i18n'
import en from './en'

export const LANGUAGES = ['en', 'de'] as const
export type Language = (typeof LANGUAGES)[number]
export const messages: Partial<Record<Language, typeof en>> = { en }
/** How days and numbers are written: the day before the month, as on paper. */
const WRITTEN: Record<Language, string> = { en: 'en-GB', de: 'de' }

export const i18n = createI18n<false>({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: messages as Record<Language, typeof en>,
})

/** The language of the page; on this device it stays until another is chosen. */
export function language(): Language {
  return i18n.global.locale.value as Language
}
/** The same with its region, for whoever writes days and numbers. */
export const writtenAs = (): string => WRITTEN[language()]
