import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import { Refusal, served, UNREACHABLE } from '../specs/served'
import type { Sent } from '../specs/served'
import { deliver, hand, redate, undelivered } from './delivery'
import { forgetEverything, keep, kept, putToWait, waiting } from './vault'

/** A server that answers the visits it is sent in this order, the last for all that follow. */
function taking(...answers: unknown[]): { sent: Sent[]; ids: () => string[] } {
  const sent = served({ 'POST /clients/c/visits': () => (answers.length > 1 ? answers.shift() : answers[0]) })
  return { sent, ids: () => sent.map((s) => (s.body as { visit: { id: string } }).visit.id) }
}
const visit = (id: string, on = '2026-11-27') => ({ id, on, context: 'visit', by: 'specialist', movements: [] }) as never
beforeEach(forgetEverything)

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
    taking(UNREACHABLE)
    await hand('c', visit('visit-0001'))
    await hand('c', visit('visit-0002'))
    expect(undelivered.value.map((u) => u.id)).toEqual(['visit-0001', 'visit-0002'])
    const server = taking({})
    await deliver()
    expect(server.ids()).toEqual(['visit-0001', 'visit-0002'])
    expect(await waiting()).toEqual([])
  })
  it('stops at the first that does not arrive, so that the order stays', async () => {
    await putToWait('visit', 'visit-0001', 'c', visit('visit-0001'))
    await putToWait('visit', 'visit-0002', 'c', visit('visit-0002'))
    const server = taking(new Refusal(503, 'Busy'))
    await deliver()
    expect(server.ids()).toEqual(['visit-0001'])
    expect((await waiting()).map((w) => w.id)).toEqual(['visit-0001', 'visit-0002'])
  })
  it('keeps what the server refuses, with its reason, and goes on with the rest', async () => {
    await putToWait('visit', 'visit-0001', 'c', visit('visit-0001', '2031-01-01'))
    await putToWait('visit', 'visit-0002', 'c', visit('visit-0002'))
    const server = taking(new Refusal(422, 'lies after today'), {})
    await deliver()
    expect(undelivered.value).toEqual([{ id: 'visit-0001', kind: 'visit', client: 'c', refused: 'lies after today' }])
    await redate('visit-0001', '2026-11-27')
    expect(server.sent.at(-1)!.body).toMatchObject({ visit: { id: 'visit-0001', on: '2026-11-27' } })
    expect(await waiting()).toEqual([])
  })
  it('sends once where two ask at the same moment', async () => {
    await putToWait('visit', 'visit-0001', 'c', visit('visit-0001'))
    const server = taking({})
    await Promise.all([deliver(), deliver()])
    expect(server.ids()).toEqual(['visit-0001'])
  })
})
