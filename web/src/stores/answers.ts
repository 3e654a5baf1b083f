import { useQuery } from '@tanstack/vue-query'
import { computed, getCurrentScope, onScopeDispose, ref } from 'vue'
import type { ComputedRef } from 'vue'
import { Refused } from '../api/client'
import { placeInWords } from '../api/places'
import { say } from '../i18n'

/** Who was asked about: an answer carries the same, and is shown only while it is still what is on screen. */
export interface Subject {
  client: string
  revision: number
  digest: string
}

/** What an answer is kept under: the client, and the revision of its case. */
export const keyOfClient = (client: string): readonly unknown[] => ['client', client]
const keyOfAnswer = (on: Subject, what: string, more: unknown): readonly unknown[] => [
  ...keyOfClient(on.client),
  on.revision,
  on.digest,
  what,
  more,
]

export interface Answer<T> {
  data: ComputedRef<T | undefined>
  /** What went wrong, in words; empty while nothing did. */
  failed: ComputedRef<string>
  loading: ComputedRef<boolean>
  /** Ask for it as long as the caller is on screen. */
  want: () => void
  again: () => Promise<void>
}

/** What went wrong, for people: where fields are named, with their places in words. */
export function inWords(error: unknown): string {
  if (!error) return ''
  if (!(error instanceof Refused)) return say('app.failed')
  const faults = error.faults.map((f) => [placeInWords(f.path), f.reason].filter(Boolean).join(': '))
  return faults.join('; ') || error.message
}

/**
 * One answer about the client on screen.  It is asked while somebody wants it, kept under client, revision and digest, dropped
 * when these are no longer the ones on screen, and asked again when they change.
 */
export function useAnswer<T extends { client: string; revision: number; digest: string }>(
  what: string,
  on: () => Subject | undefined,
  ask: (on: Subject, signal: AbortSignal) => Promise<T>,
  moved: () => Promise<void>,
  more: () => unknown = () => '',
): Answer<T> {
  const wanted = ref(0)
  const subject = computed(on)
  const query = useQuery({
    queryKey: computed(() => (subject.value ? keyOfAnswer(subject.value, what, more()) : ['nobody', what])),
    queryFn: async ({ signal }) => {
      const mine = subject.value!
      const got = await ask(mine, signal)
      if (got.client === mine.client && got.revision === mine.revision && got.digest === mine.digest) return got
      // The client was changed while it was worked out: what is on screen is asked anew first.
      await moved()
      throw new Refused(409, say('elsewhere.title'), '', [], '/problems/changed-in-between')
    },
    enabled: computed(() => wanted.value > 0 && subject.value !== undefined),
  })
  function want(): void {
    wanted.value++
    if (getCurrentScope())
      onScopeDispose(() => {
        wanted.value--
      })
  }
  return {
    data: computed(() => (subject.value ? query.data.value : undefined)),
    failed: computed(() => (query.isFetching.value ? '' : inWords(query.error.value))),
    loading: computed(() => query.isFetching.value),
    want,
    again: async () => void (await query.refetch()),
  }
}
