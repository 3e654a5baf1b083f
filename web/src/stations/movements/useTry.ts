import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { Refused } from '../../api/client'
import type { Tried } from '../../api/types'
import { say } from '../../i18n'

/** How long a slider rests before the verdict is asked. */
export const REST_MS = 260

/**
 * Try it: while a slider moves, only the pose and its numbers are asked, one request at a time and always for the
 * newest values; the verdict comes when it rests.  What came in between never overwrites what is newer.
 */
export function useTry(ask: (quick: boolean) => Promise<Tried>) {
  const tried = ref<Tried>()
  const failed = ref('')
  let newest = 0
  let busy = false
  let again = false

  async function settle(): Promise<void> {
    const mine = ++newest
    try {
      const answer = await ask(false)
      if (mine === newest) {
        tried.value = answer
        failed.value = ''
      }
    } catch (error) {
      if (mine === newest) failed.value = error instanceof Refused ? error.message : say('app.failed')
    }
  }
  const rest = useDebounceFn(settle, REST_MS)

  async function glance(): Promise<void> {
    if (busy) {
      again = true
      return
    }
    busy = true
    const mine = newest
    try {
      const { profile, svg } = await ask(true)
      if (mine === newest && tried.value) tried.value = { ...tried.value, profile, svg, modified_svg: '', steady: [], verdict: null }
    } catch {
      // The verdict asked at rest says what is wrong.
    } finally {
      busy = false
    }
    if (again) {
      again = false
      void glance()
    }
  }
  function slide(): void {
    newest++
    void glance()
    void rest()
  }
  function forget(): void {
    tried.value = undefined
    void settle()
  }
  return { tried, failed, settle, slide, forget }
}
