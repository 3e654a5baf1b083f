/** The list with the item at `from` moved to `to`; the same list when there is nowhere to go. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  if (from === to || to < 0 || to >= list.length || from < 0 || from >= list.length) return [...list]
  const out = [...list]
  const [one] = out.splice(from, 1)
  out.splice(to, 0, one)
  return out
}
