import { computed, reactive } from 'vue'
import { say } from '../i18n'
import type { components } from './schema'

/** What the server says while a worker is at it: the same request is sent again until the answer is there. */
type UnderWay = components['schemas']['UnderWay']

const MOST_TRIES = 600
const shares = reactive(new Map<string, number>())

/** How far the answer to this address is, 0 to 1; undefined while nobody waits for it. */
export const shareOf = (ending: string) =>
  computed(() => {
    for (const [path, share] of shares) if (path.endsWith(ending)) return share
    return undefined
  })

const pause = (seconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, 1000 * seconds))

/** The answer itself, however long a worker needs for it; nothing on the server waits meanwhile. */
export async function untilThere(request: Request, ask: (request: Request) => Promise<Response>): Promise<Response> {
  const path = new URL(request.url, location.href).pathname
  try {
    for (let tries = 0; tries < MOST_TRIES; tries++) {
      const answer = await ask(request.clone())
      if (answer.status !== 202) return answer
      const { share, again_in_s }: UnderWay = await answer.json()
      shares.set(path, share)
      // The first questions come quickly: most answers take less than a second.
      await pause(Math.min(again_in_s, 0.15 * 2 ** tries))
      request.signal.throwIfAborted() // whoever asked has gone
    }
  } finally {
    shares.delete(path)
  }
  return new Response(JSON.stringify({ title: say('app.notWorkedOut'), detail: say('app.notWorkedOut') }), { status: 504 })
}
