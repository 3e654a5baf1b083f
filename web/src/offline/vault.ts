/**
 * What a device keeps while a visit is run: sheets, the visit under way, what waits to be sent.  Everything is locked with a
 * key that cannot be read out and goes at log-out; without it what is left here says nothing.
 */
import type { Locked, WaitingKind, WaitingRow } from './tables'

export type { WaitingKind, WaitingRow }

const tables = async () => (await import('./tables')).vault

async function key(): Promise<CryptoKey> {
  const vault = await tables()
  const known = await vault.keys.get('key')
  if (known) return known.key
  const made = await crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt'])
  // Two pages of one device begin at once: the first key stays.
  return vault.transaction('rw', vault.keys, async () => {
    const other = await vault.keys.get('key')
    if (other) return other.key
    await vault.keys.put({ id: 'key', key: made })
    return made
  })
}

async function lock(value: unknown): Promise<Locked> {
  const iv = crypto.getRandomValues(new Uint8Array(12))
  const plain = new TextEncoder().encode(JSON.stringify(value))
  return { iv, text: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, await key(), plain) }
}
async function unlock<T>(locked: Locked): Promise<T | undefined> {
  try {
    const plain = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: locked.iv }, await key(), locked.text)
    return JSON.parse(new TextDecoder().decode(plain)) as T
  } catch {
    return undefined // locked with a key that has gone
  }
}

export interface Kept<T> {
  value: T
  savedMs: number
}
export async function keep(id: string, value: unknown, nowMs = Date.now()): Promise<void> {
  const locked = await lock(value)
  await (await tables()).kept.put({ id, savedMs: nowMs, locked })
}
export async function kept<T>(id: string): Promise<Kept<T> | undefined> {
  const row = await (await tables()).kept.get(id)
  const value = row && (await unlock<T>(row.locked))
  return row && value !== undefined ? { value, savedMs: row.savedMs } : undefined
}
export const drop = async (id: string): Promise<void> => (await tables()).kept.delete(id)

/** One thing more that waits to be sent, after all that waited before. */
export async function putToWait(kind: WaitingKind, id: string, client: string, what: unknown): Promise<void> {
  const locked = await lock(what)
  const vault = await tables()
  await vault.transaction('rw', vault.waiting, async () => {
    const known = await vault.waiting.get(id)
    const last = await vault.waiting.orderBy('order').last()
    await vault.waiting.put({ id, kind, client, order: known?.order ?? (last?.order ?? 0) + 1, refused: '', locked })
  })
}
export const waiting = async (): Promise<WaitingRow[]> => (await tables()).waiting.orderBy('order').toArray()
export const contentOf = <T>(row: WaitingRow): Promise<T | undefined> => unlock<T>(row.locked)
export const sent = async (id: string): Promise<void> => (await tables()).waiting.delete(id)
export async function refuse(id: string, why: string): Promise<void> {
  const vault = await tables()
  await vault.transaction('rw', vault.waiting, async () => {
    const row = await vault.waiting.get(id)
    if (row) await vault.waiting.put({ ...row, refused: why })
  })
}

/** The key goes, and with it all that could be read. Whoever logs out sends what waits first. */
export async function forgetEverything(): Promise<void> {
  const vault = await tables()
  await vault.transaction('rw', vault.keys, vault.kept, vault.waiting, async () => {
    await Promise.all([vault.keys.clear(), vault.kept.clear(), vault.waiting.clear()])
  })
}
