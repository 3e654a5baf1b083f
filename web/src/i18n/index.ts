import { createI18n } from 'vue-i18n'
import en from './en'

export type MessageKey = keyof typeof en
export const i18n = createI18n({ legacy: false, locale: 'en', messages: { en } })
export function say(key: MessageKey, values: Record<string, string | number> = {}): string {
  return i18n.global.t(key, values)
}
