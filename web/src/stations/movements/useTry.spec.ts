import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Tried } from '../../api/types'
import { REST_MS, useTry } from './useTry'

const answer = (svg: string, verdict: unknown = { verdict: 'as_is' }): Tried => ({ svg, verdict, profile: { fault: '', peaks: {} }, modified_svg: 'x', lines: {}, steady: [], hold: null }) as unknown as Tried

describe('try it', () => {
  beforeEach(() => { vi.useFakeTimers() })
  afterEach(() => { vi.useRealTimers() })

  it('shows the pose while the slider moves and the verdict when it rests', async () => {
    const ask = vi.fn((quick: boolean) => Promise.resolve(quick ? answer('pose', null) : answer('judged')))
    const { tried, settle, slide } = useTry(ask)
    await settle()
    slide()
    await vi.advanceTimersByTimeAsync(1)
    expect(tried.value?.svg).toBe('pose')
    expect(tried.value?.verdict).toBeNull()
    await vi.advanceTimersByTimeAsync(REST_MS + 1)
    expect(tried.value?.svg).toBe('judged')
    expect(tried.value?.verdict).not.toBeNull()
  })
  it('asks one pose at a time, and the newest last', async () => {
    let open = 0
    let most = 0
    const ask = vi.fn(async (quick: boolean) => { open++; most = Math.max(most, quick ? open : 0); await new Promise((r) => setTimeout(r, 50)); open--; return answer('x') })
    const { slide } = useTry(ask)
    for (let i = 0; i < 10; i++) slide()
    await vi.advanceTimersByTimeAsync(200)
    expect(most).toBe(1)
    expect(ask.mock.calls.filter(([quick]) => quick)).toHaveLength(2)
  })
  it('says what is wrong and keeps the last answer', async () => {
    let works = true
    const { tried, failed, settle } = useTry(() => (works ? Promise.resolve(answer('first')) : Promise.reject(new Error('gone'))))
    await settle()
    works = false
    await settle()
    expect(failed.value).not.toBe('')
    expect(tried.value?.svg).toBe('first')
  })
  it('a late pose never overwrites a newer verdict', async () => {
    let free: (a: Tried) => void = () => undefined
    const ask = (quick: boolean): Promise<Tried> => (quick ? new Promise((r) => { free = r }) : Promise.resolve(answer('judged')))
    const { tried, settle, slide } = useTry(ask)
    await settle()
    slide()
    await vi.advanceTimersByTimeAsync(REST_MS + 1)
    free(answer('late', null))
    await vi.advanceTimersByTimeAsync(1)
    expect(tried.value?.svg).toBe('judged')
  })
})
