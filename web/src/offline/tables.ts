/** The tables of the vault; fetched when something is first kept or looked for, since no page waits for them to be drawn. */
import Dexie from 'dexie'
import type { EntityTable } from 'dexie'

export interface Locked {
  iv: Uint8Array<ArrayBuffer>
  text: ArrayBuffer
}
interface KeyRow {
  id: 'key'
  key: CryptoKey
}
interface KeptRow {
  /** What it is, and of whom: 'sheet:<client>', 'run:<client>', 'user'. */
  id: string
  savedMs: number
  locked: Locked
}
/** A visit, how the day after one was, or a stop sign that was told; from home the client is the code of the private link. */
export type WaitingKind = 'visit' | 'next_day' | 'stop_sign' | 'home_visit' | 'home_next_day'
export interface WaitingRow {
  /** Of a visit its own id: sent twice it is one. */
  id: string
  kind: WaitingKind
  client: string
  order: number
  refused: string
  locked: Locked
}

class Vault extends Dexie {
  keys!: EntityTable<KeyRow, 'id'>
  kept!: EntityTable<KeptRow, 'id'>
  waiting!: EntityTable<WaitingRow, 'id'>

  constructor() {
    super('amvel')
    this.version(1).stores({ keys: 'id', kept: 'id', waiting: 'id, client, order' })
  }
}
export const vault = new Vault()
