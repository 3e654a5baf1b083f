import { QueryClient } from '@tanstack/vue-query'
import { Refused } from '../api/client'

/** A server that has too much to do says so; the question is put again until it has time. */
const AGAIN_MS = 4000
const MOST_TIMES = 30
const busy = (error: unknown): boolean => error instanceof Refused && error.status === 503

/** What is known stays known under its key; nothing is asked behind the user's back, since the pulse says when something moved. */
export const newQueryClient = (): QueryClient =>
  new QueryClient({
    defaultOptions: {
      queries: {
        retry: (count, error) => busy(error) && count < MOST_TIMES,
        retryDelay: AGAIN_MS,
        staleTime: Infinity,
        gcTime: 5 * 60_000,
        refetchOnWindowFocus: false,
        refetchOnReconnect: false,
      },
    },
  })
