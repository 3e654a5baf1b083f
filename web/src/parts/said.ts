import { watch } from 'vue'
import { language } from '../i18n'

/** Ask now, and anew in every language that is chosen: what the server says in words is in the one in which it was asked. */
export function useSaid(ask: () => unknown): void {
  watch(language, () => void ask(), { immediate: true })
}
