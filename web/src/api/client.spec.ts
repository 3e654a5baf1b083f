import { beforeEach, describe, expect, it, vi } from 'vitest'
import { got, http, Refused, sessionBegins, whenSessionEnds } from './client'

/** A server whose answers arrive when the test says so. */
let answers: ((status: number) => void)[] = []
const ended = vi.fn()

beforeEach(() => {
  answers = []
  ended.mockClear()
  whenSessionEnds(ended)
  vi.stubGlobal('fetch', () => new Promise<Response>((resolve) => answers.push((status) => resolve(new Response('{}', { status })))))
})
const ask = () => got(http.GET('/api/v1/session')).catch((refused: unknown) => refused)

describe('a session that the server does not know any more', () => {
  it('is told of by a refusal', async () => {
    const asked = ask()
    await vi.waitFor(() => expect(answers).toHaveLength(1))
    answers[0]!(401)
    expect(await asked).toBeInstanceOf(Refused)
    expect(ended).toHaveBeenCalledTimes(1)
  })

  it('is not told of by a refusal that was asked for before somebody came back', async () => {
    const asked = ask()
    await vi.waitFor(() => expect(answers).toHaveLength(1))
    sessionBegins()
    answers[0]!(401)
    expect(await asked).toBeInstanceOf(Refused)
    expect(ended).not.toHaveBeenCalled()
  })

  it.each([200, 403, 404, 503])('is not told of by %i', async (status) => {
    const asked = ask()
    await vi.waitFor(() => expect(answers).toHaveLength(1))
    answers[0]!(status)
    await asked
    expect(ended).not.toHaveBeenCalled()
  })
})
