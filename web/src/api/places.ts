/** The place of a fault as people say it: `$.room.seats[0].height_cm` is "room, seats 1, height cm"; the whole has no name. */
export function placeInWords(path: string): string {
  const named = path.replace(/^\$\.?/, '').replace(/\[(\d+)\]/g, (_, n: string) => ` ${Number(n) + 1}`)
  return named.replaceAll('_', ' ').replaceAll('.', ', ').trim()
}
