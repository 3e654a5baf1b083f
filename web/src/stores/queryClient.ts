import { QueryClient } from '@tanstack/vue-query'

/** What is known stays known under its key; nothing is asked behind the user's back, since the pulse says when something moved. */
export const newQueryClient = (): QueryClient => new QueryClient({
  defaultOptions: { queries: { retry: false, staleTime: Infinity, gcTime: 5 * 60_000, refetchOnWindowFocus: false, refetchOnReconnect: false } },
})
