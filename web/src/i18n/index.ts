import { createI18n } from 'vue-i18n'
import de from './de'
import en from './en'

export type MessageKey = keyof typeof en
export const LANGUAGES = ['en', 'de'] as const
export type Language = (typeof LANGUAGES)[number]
const KEPT = 'amvel.language'

function begin(): Language {
  const kept = localStorage.getItem(KEPT)
  return LANGUAGES.find((one) => one === kept) ?? 'en'
}

export const i18n = createI18n({ legacy: false, locale: begin(), fallbackLocale: 'en', messages: { en, de } })
document.documentElement.lang = i18n.global.locale.value

/** The language of the page; on this device it stays until another is chosen. */
export function language(): Language {
  return i18n.global.locale.value
}
export function speak(chosen: Language): void {
  i18n.global.locale.value = chosen
  localStorage.setItem(KEPT, chosen)
  document.documentElement.lang = chosen
}
export function say(key: MessageKey, values: Record<string, string | number> = {}): string {
  return i18n.global.t(key, values)
}
