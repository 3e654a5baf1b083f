import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Refused } from '../api/client'
import { deliver, hand, redate, undelivered } from './delivery'
import { forgetEverything, keep, kept, putToWait, waiting } from './vault'

const post = vi.hoisted(() => vi.fn())
vi.mock('../api/client', async (original) => {
  const real = await original<typeof import('../api/client')>()
  return { ...real, http: { POST: post }, got: (call: Promise<unknown>) => call }
})
const visit = (id: string, on = '2026-11-27') => ({ id, on, context: 'visit', by: 'specialist', movements: [] }) as never
beforeEach(async () => {
  await forgetEverything()
  post.mockReset()
})

describe('the vault', () => {
  it('gives back what it was given', async () => {
    await keep('sheet:1', { a: [1, 'ä'] }, 5)
    expect(await kept('sheet:1')).toEqual({ value: { a: [1, 'ä'] }, savedMs: 5 })
  })
  it('holds nothing that could be read without its key', async () => {
    await keep('sheet:1', { name: 'Nell Arden' })
    const raw = await new Promise<unknown[]>((resolve) => {
      const open = indexedDB.open('amvel')
      open.onsuccess = () => {
        const all = open.result.transaction('kept').objectStore('kept').getAll()
        all.onsuccess = () => resolve(all.result)
      }
    })
    expect(raw).toHaveLength(1)
    expect(new TextDecoder().decode((raw[0] as { locked: { text: ArrayBuffer } }).locked.text)).not.toContain('Arden')
  })
  it('says nothing any more once its key has gone', async () => {
    await keep('sheet:1', 1)
    await forgetEverything()
    expect(await kept('sheet:1')).toBeUndefined()
  })
})

describe('delivery', () => {
  it('sends in the order in which it was done, and forgets only what was taken', async () => {
    post.mockRejectedValue(new Refused(0, 'No connection', ''))
    await hand('c', visit('visit-0001'))
    await hand('c', visit('visit-0002'))
    expect(undelivered.value.map((u) => u.id)).toEqual(['visit-0001', 'visit-0002'])
    post.mockReset().mockResolvedValue({})
    await deliver()
    expect(post.mock.calls.map(([, { body }]) => body.visit.id)).toEqual(['visit-0001', 'visit-0002'])
    expect(await waiting()).toEqual([])
  })
  it('stops at the first that does not arrive, so that the order stays', async () => {
    await putToWait('visit', 'visit-0001', 'c', visit('visit-0001'))
    await putToWait('visit', 'visit-0002', 'c', visit('visit-0002'))
    post.mockRejectedValueOnce(new Refused(503, 'Busy', ''))
    await deliver()
    expect(post).toHaveBeenCalledTimes(1)
    expect((await waiting()).map((w) => w.id)).toEqual(['visit-0001', 'visit-0002'])
  })
  it('keeps what the server refuses, with its reason, and goes on with the rest', async () => {
    await putToWait('visit', 'visit-0001', 'c', visit('visit-0001', '2031-01-01'))
    await putToWait('visit', 'visit-0002', 'c', visit('visit-0002'))
    post.mockRejectedValueOnce(new Refused(422, 'Refused', 'lies after today')).mockResolvedValue({})
    await deliver()
    expect(undelivered.value).toEqual([{ id: 'visit-0001', kind: 'visit', client: 'c', refused: 'lies after today' }])
    await redate('visit-0001', '2026-11-27')
    expect(post.mock.calls.at(-1)![1].body.visit.on).toBe('2026-11-27')
    expect(await waiting()).toEqual([])
  })
  it('sends once where two ask at the same moment', async () => {
    await putToWait('visit', 'visit-0001', 'c', visit('visit-0001'))
    post.mockResolvedValue({})
    await Promise.all([deliver(), deliver()])
    expect(post).toHaveBeenCalledTimes(1)
  })
})
