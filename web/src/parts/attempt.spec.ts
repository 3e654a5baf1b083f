import { describe, expect, it } from 'vitest'
import { Refused } from '../api/client'
import { useAttempt } from './attempt'

describe('something done with a button', () => {
  it('is done once at a time', async () => {
    const { busy, attempt } = useAttempt()
    let done = 0
    let go = (): void => undefined
    const first = attempt(() => new Promise<void>((resolve) => (go = () => (done++, resolve()))))
    expect(busy.value).toBe(true)
    expect(await attempt(async () => void done++)).toBe(false)
    go()
    expect(await first).toBe(true)
    expect([done, busy.value]).toEqual([1, false])
  })

  it('says in words what the server refused, and forgets it with the next try', async () => {
    const { failed, attempt } = useAttempt()
    expect(await attempt(() => Promise.reject(new Refused(409, 'Changed', 'somebody was faster')))).toBe(false)
    expect(failed.value).toBe('somebody was faster')
    expect(await attempt(async () => undefined)).toBe(true)
    expect(failed.value).toBe('')
  })

  it('hides no other error behind an empty line', async () => {
    const { failed, attempt } = useAttempt()
    await attempt(() => Promise.reject(new Error('of the page')))
    expect(failed.value).not.toBe('')
  })
})
