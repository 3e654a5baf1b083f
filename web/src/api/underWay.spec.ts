import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shareOf, untilThere } from './underWay'

const json = (status: number, body: unknown): Response => new Response(JSON.stringify(body), { status })
const underWay = (share: number): Response => json(202, { share, again_in_s: 1 })

beforeEach(() => {
  vi.useFakeTimers()
})
afterEach(() => {
  vi.useRealTimers()
})

describe('an answer that a worker works out', () => {
  it('is asked for again, with the same body, until it is there', async () => {
    const bodies: string[] = []
    const answers = [underWay(0), underWay(0.5), json(201, { number: 1 })]
    const asked = untilThere(new Request('http://here/api/programmes', { method: 'POST', body: 'the same' }), async (one) => {
      bodies.push(await one.text())
      return answers.shift()!
    })
    await vi.runAllTimersAsync()
    expect(await (await asked).json()).toEqual({ number: 1 })
    expect(bodies).toEqual(['the same', 'the same', 'the same'])
  })

  it('says how far it is while somebody waits, and nothing afterwards', async () => {
    const share = shareOf('/verdicts')
    const answers = [underWay(0.4), json(200, {})]
    const asked = untilThere(new Request('http://here/api/verdicts'), async () => answers.shift()!)
    await vi.advanceTimersByTimeAsync(10)
    expect(share.value).toBe(0.4)
    await vi.runAllTimersAsync()
    await asked
    expect(share.value).toBeUndefined()
  })

  it.each([200, 404, 409, 503])('passes on %i as it comes, at once', async (status) => {
    const ask = vi.fn(async () => json(status, {}))
    expect((await untilThere(new Request('http://here/x'), ask)).status).toBe(status)
    expect(ask).toHaveBeenCalledTimes(1)
  })

  it('is not asked for any more once whoever asked has gone', async () => {
    const gone = new AbortController()
    const ask = vi.fn(async () => underWay(0))
    const asked = untilThere(new Request('http://here/x', { signal: gone.signal }), ask)
    const ended = expect(asked).rejects.toThrow()
    await vi.advanceTimersByTimeAsync(10)
    gone.abort()
    await vi.runAllTimersAsync()
    await ended
    expect(ask).toHaveBeenCalledTimes(1)
  })

  it('that nobody works out is not taken for a network that is gone', async () => {
    const asked = untilThere(new Request('http://here/x'), async () => underWay(0))
    await vi.runAllTimersAsync()
    const answer = await asked
    expect(answer.status).toBe(504)
    expect((await answer.json()).detail).toContain('not worked this out')
  })
})
