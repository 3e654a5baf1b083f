import createClient from 'openapi-fetch'
import { language } from '../i18n'
import { newId } from '../offline/here'
import { untilThere } from './underWay'
import type { components, paths } from './schema'

type Problem = components['schemas']['Problem']

/** A refusal by the server, as problem details. */
export class Refused extends Error {
  constructor(
    public status: number,
    public title: string,
    public detail: string,
    public faults: { path: string; reason: string }[] = [],
    public type: Problem['type'] = 'about:blank',
  ) {
    super(detail || title)
  }
}

/** Somebody else was faster: what is there now has to be fetched. */
export const isChanged = (error: unknown): boolean => error instanceof Refused && error.type === '/problems/changed-in-between'

let csrf = ''
export function useCsrf(token: string): void {
  csrf = token
}

/** A new token: after a log-in elsewhere in this browser the old one is worth nothing. */
export async function freshCsrf(): Promise<void> {
  const answer = await fetch('/api/v1/session')
  if (answer.ok) csrf = String(((await answer.json()) as { csrf_token: string }).csrf_token)
}

let ended = (): void => undefined
/** What to do when the server knows the session no more. */
export function whenSessionEnds(then: () => void): void {
  ended = then
}
let logIns = 0
/** From here on a session counts: what was asked before it and is refused late says nothing of it. */
export function sessionBegins(): void {
  logIns += 1
}

async function answerTo(request: Request): Promise<Response> {
  const asked = logIns
  const answer = await untilThere(request, (one) => fetch(one))
  if (answer.status === 401 && asked === logIns) ended()
  return answer
}

export const http = createClient<paths>({ baseUrl: location.origin, fetch: answerTo })
http.use({
  async onRequest({ request }) {
    request.headers.set('Accept-Language', language())
    // A page that was opened without a network has no token yet.
    if (request.method !== 'GET' && !csrf) await freshCsrf().catch(() => undefined)
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrf)
    // Sent again by a network that stumbles, it is done once.
    if (request.method === 'POST') request.headers.set('Idempotency-Key', newId(16))
    return request
  },
})

/** What is there in the end: that it is under way is told to nobody but `untilThere`. */
type Answered<D> = Exclude<NonNullable<D>, components['schemas']['UnderWay']>

/** The data of a call as the server declares it, or Refused. */
export async function got<D>(call: Promise<{ data?: D; error?: unknown; response: Response }>): Promise<Answered<D>> {
  let answer
  try {
    answer = await call
  } catch {
    throw new Refused(0, 'No connection', 'The server cannot be reached. Nothing was lost; try again.')
  }
  if (answer.response.ok) return answer.data as Answered<D>
  const problem = (answer.error ?? {}) as Partial<Problem>
  throw new Refused(answer.response.status, problem.title ?? 'Refused', problem.detail ?? '', problem.faults, problem.type)
}
