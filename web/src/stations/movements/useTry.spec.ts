import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Stop, Tried, Verdict } from '../../api/schemas'
import { REST_MS, useTry } from './useTry'

const answer = (svg: string, verdict: unknown = { verdict: 'as_is' }): Tried =>
  ({ svg, verdict, profile: { fault: '', peaks: {} }, modified_svg: 'x', lines: {}, steady: [], hold: null }) as unknown as Tried

describe('try it', () => {
  beforeEach(() => {
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
  })

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
  it('shows a stop that was asked ahead at once, and says that a change is still being looked for', async () => {
    const ask = vi.fn((quick: boolean) => Promise.resolve(answer(quick ? 'pose' : 'judged', { verdict: 'modified' })))
    const { tried, seeking, settle, slide } = useTry(ask)
    await settle()
    slide({ value: 50, verdict: { verdict: 'excluded' } as Verdict, peaks: { hip_flexion_deg: 96 }, fault: '', svg: 'ahead' })
    expect(tried.value?.svg).toBe('ahead')
    expect(tried.value?.profile.peaks.hip_flexion_deg).toBe(96)
    expect(seeking.value).toBe(true)
    expect(ask.mock.calls.filter(([quick]) => quick)).toHaveLength(0)
    await vi.advanceTimersByTimeAsync(REST_MS + 1)
    expect(tried.value?.verdict?.verdict).toBe('modified')
    expect(seeking.value).toBe(false)
  })
  it('follows the hand while it does not rest, however often it has moved since', async () => {
    let n = 0
    const ask = vi.fn(async (quick: boolean) => {
      const mine = ++n
      await new Promise((r) => setTimeout(r, 100))
      return answer(quick ? `pose ${mine}` : 'judged', null)
    })
    const { tried, settle, slide } = useTry(ask)
    void settle()
    await vi.advanceTimersByTimeAsync(101)
    for (let i = 0; i < 20; i++) {
      slide()
      await vi.advanceTimersByTimeAsync(30)
    }
    expect(tried.value?.svg).toMatch(/^pose/)
    await vi.advanceTimersByTimeAsync(REST_MS + 201)
    expect(tried.value?.svg).toBe('judged')
  })
  it('of a stop close by only the pose is shown, and the verdict when the very stop comes', async () => {
    const { tried, settle, slide, arrived } = useTry(() => Promise.resolve(answer('judged')))
    const stop = (value: number): Stop => ({ value, verdict: { verdict: 'as_is' } as Verdict, peaks: {}, fault: '', svg: `at ${value}` })
    await settle()
    slide(stop(48), true)
    expect(tried.value?.svg).toBe('at 48')
    expect(tried.value?.verdict).toBeNull()
    arrived(stop(50))
    expect(tried.value?.svg).toBe('at 50')
    expect(tried.value?.verdict?.verdict).toBe('as_is')
    await vi.advanceTimersByTimeAsync(REST_MS + 1)
    arrived(stop(50))
    expect(tried.value?.svg).toBe('judged')
  })
  it('asks one pose at a time, and the newest last', async () => {
    let open = 0
    let most = 0
    const ask = vi.fn(async (quick: boolean) => {
      open++
      most = Math.max(most, quick ? open : 0)
      await new Promise((r) => setTimeout(r, 50))
      open--
      return answer('x')
    })
    const { slide } = useTry(ask)
    for (let i = 0; i < 10; i++) slide()
    await vi.advanceTimersByTimeAsync(200)
    expect(most).toBe(1)
    expect(ask.mock.calls.filter(([quick]) => quick)).toHaveLength(2)
  })
  it('opens with the pose under the verdict that is known, then with all that is said of it', async () => {
    const ask = vi.fn(async (quick: boolean) => {
      await new Promise((r) => setTimeout(r, quick ? 50 : 900))
      return quick ? answer('pose', null) : answer('judged')
    })
    const { tried, open, slide } = useTry(ask)
    open({ verdict: 'modified' } as Verdict)
    expect(tried.value).toBeUndefined()
    await vi.advanceTimersByTimeAsync(60)
    expect([tried.value?.svg, tried.value?.verdict?.verdict]).toEqual(['pose', 'modified'])
    await vi.advanceTimersByTimeAsync(900)
    expect(tried.value?.svg).toBe('judged')
    slide()
    await vi.advanceTimersByTimeAsync(60)
    expect([tried.value?.svg, tried.value?.verdict]).toEqual(['pose', null])
  })
  it('a pose of the step before is not shown for the next one', async () => {
    const late: ((a: Tried) => void)[] = []
    const { tried, open } = useTry((quick) =>
      quick
        ? new Promise((r) => {
            late.push(r)
          })
        : new Promise(() => undefined),
    )
    open()
    open()
    late[0](answer('old', null))
    await vi.advanceTimersByTimeAsync(1)
    expect(tried.value).toBeUndefined()
    late[1](answer('new', null))
    await vi.advanceTimersByTimeAsync(1)
    expect(tried.value?.svg).toBe('new')
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
    const ask = (quick: boolean): Promise<Tried> =>
      quick
        ? new Promise((r) => {
            free = r
          })
        : Promise.resolve(answer('judged'))
    const { tried, settle, slide } = useTry(ask)
    await settle()
    slide()
    await vi.advanceTimersByTimeAsync(REST_MS + 1)
    free(answer('late', null))
    await vi.advanceTimersByTimeAsync(1)
    expect(tried.value?.svg).toBe('judged')
  })
})
