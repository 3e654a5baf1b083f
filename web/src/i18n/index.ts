import { createI18n } from 'vue-i18n'
import en from './en'
import { numberShown } from './numbers'

export type MessageKey = keyof typeof en
export const LANGUAGES = ['en', 'de'] as const
export type Language = (typeof LANGUAGES)[number]
const KEPT = 'amvel.language'
/** English stands in for what is not there yet; another language comes when it is chosen. */
const CATALOGUES = { de: () => import('./de') } satisfies Record<Exclude<Language, 'en'>, unknown>
const messages: Partial<Record<Language, typeof en>> = { en }

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
/** The page in this language, once its words are here. */
export async function speak(chosen: Language): Promise<void> {
  if (chosen !== 'en') i18n.global.setLocaleMessage(chosen, (await CATALOGUES[chosen]()).default)
  i18n.global.locale.value = chosen
  localStorage.setItem(KEPT, chosen)
  document.documentElement.lang = chosen
}
/** The language that was chosen here before. */
export async function speakAsBefore(): Promise<void> {
  const kept = localStorage.getItem(KEPT)
  await speak(LANGUAGES.find((one) => one === kept) ?? 'en')
}
export function say(key: MessageKey, values: Record<string, string | number> = {}): string {
  const written = Object.entries(values).map(([name, value]) => [name, typeof value === 'number' ? numberShown(value) : value])
  return i18n.global.t(key, Object.fromEntries(written) as Record<string, string>)
}
