/** What only this device knows: its day by its own clock, and ids that nobody else has. */

export const dayOf = (at: Date): string =>
  `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`

/** Random bytes in hexadecimal. */
export const newId = (bytes = 12): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(bytes)), (b) => b.toString(16).padStart(2, '0')).join('')
