import type en from './en'
import { i18n, LANGUAGES } from './language'
import type { Language } from './language'
import { numberShown } from './numbers'

export { i18n, language, LANGUAGES } from './language'
export type { Language } from './language'

export type MessageKey = keyof typeof en
const KEPT = 'amvel.language'
/** English stands in for what is not there yet; another language comes when it is chosen. */
const CATALOGUES = { de: () => import('./de') } satisfies Record<Exclude<Language, 'en'>, unknown>

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
