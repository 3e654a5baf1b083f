import { ref } from 'vue'
import { inWords } from '../stores/answers'

/** Something that somebody does with a button: once at a time, and what goes wrong stands beside it in words. */
export function useAttempt() {
  const busy = ref(false)
  const failed = ref('')
  /** Do it, unless something is under way; whether it was done. */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    if (busy.value) return false
    busy.value = true
    failed.value = ''
    try {
      await work()
      return true
    } catch (error) {
      failed.value = inWords(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, failed, attempt }
}
