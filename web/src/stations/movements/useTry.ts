import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { Refused } from '../../api/client'
import type { Stop, Tried, Verdict } from '../../api/schemas'
import { say } from '../../i18n'

/** How long a slider rests before the full answer is asked. */
export const REST_MS = 260

/** What is shown of an answer: of a stop there is less than of the whole. */
type Seen = Omit<Tried, 'profile'> & { profile: Pick<Tried['profile'], 'fault' | 'peaks'> }

/**
 * Try it: a stop that was asked ahead is shown at once; where there is none, only the pose and its numbers are asked
 * while the slider moves, one request at a time and always for the newest values.  When it rests, the full answer comes,
 * with the version that would hold.  A full answer is shown only where the slider still stands; a pose on the way is
 * shown unless something newer is.
 */
export function useTry(ask: (quick: boolean) => Promise<Tried>) {
  const tried = ref<Seen>()
  const failed = ref('')
  /** What is shown speaks of the pose as it stands; whether a change would help is still being asked. */
  const seeking = ref(false)
  let moves = 0
  let shown = -1
  let opened: { at: number; verdict: Verdict | null } = { at: -1, verdict: null }
  let settling = 0
  let busy = false
  let again = false

  async function settle(): Promise<void> {
    const [mine, turn] = [moves, ++settling]
    const stale = (): boolean => mine !== moves || turn !== settling
    try {
      const answer = await ask(false)
      if (stale()) return
      tried.value = answer
      failed.value = ''
    } catch (error) {
      if (stale()) return
      failed.value = error instanceof Refused ? error.message : say('app.failed')
    }
    seeking.value = false
    shown = mine
  }
  const rest = useDebounceFn(settle, REST_MS)

  /** Of a pose that nobody has judged yet the verdict is null. */
  function show({ svg, profile, verdict }: Pick<Seen, 'svg' | 'profile' | 'verdict'>): void {
    const rest = tried.value ?? { lines: {}, do: [], hold: null }
    tried.value = { ...rest, profile, svg, verdict, modified_svg: '', steady: [] }
  }
  async function glance(): Promise<void> {
    if (busy) {
      again = true
      return
    }
    busy = true
    const mine = moves
    try {
      const { profile, svg } = await ask(true)
      if (mine > shown) {
        show({ profile, svg, verdict: mine === opened.at ? opened.verdict : null })
        shown = mine
      }
    } catch {
      // The full answer asked at rest says what is wrong.
    } finally {
      busy = false
    }
    if (again) {
      again = false
      void glance()
    }
  }
  /** Show what was asked ahead: of this very place with its verdict, of one close by only the pose. */
  function showStop(stop: Stop, close = false): void {
    show({ profile: { fault: stop.fault, peaks: stop.peaks }, svg: stop.svg, verdict: close ? null : stop.verdict })
    if (!close) shown = moves
  }
  function slide(stop?: Stop, close = false): void {
    moves++
    seeking.value = true
    if (stop) showStop(stop, close)
    else void glance()
    void rest()
  }
  /** A stop has come for where the slider stands, or a pose that is closer to it than the one before. */
  function arrived(stop: Stop, close = false): void {
    if (seeking.value && shown < moves) showStop(stop, close)
  }
  /** Another step or side: its pose comes at once, under the verdict that is known of it, and the rest when it is there. */
  function open(verdict: Verdict | null = null): void {
    shown = moves++
    opened = { at: moves, verdict }
    tried.value = undefined
    void glance()
    void settle()
  }
  return { tried, failed, seeking, settle, slide, arrived, open }
}
