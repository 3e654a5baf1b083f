import type { Room, RoomProp, Seat } from '../../api/schemas'

export const MOST_ROOMS = 4

/** A room of which nothing is known yet. */
export function emptyRoom(name: string, usedFor: Room['used_for'] = 'both'): Room {
  return {
    name,
    used_for: usedFor,
    seats: [],
    wall: true,
    worktop: false,
    worktop_height_cm: null,
    table_height_cm: null,
    low_table_height_cm: null,
    floor_mat: false,
    free_floor_cm: null,
    floor_grip: 'unknown',
    soles: 'unknown',
    bed_height_cm: null,
    bed_firmness: 'unknown',
    bed_head_end: false,
    rail: false,
    rail_height_cm: null,
    anchor: false,
    props: [],
  }
}

export function emptySeat(name: string): Seat {
  return { name, height_cm: 45, depth_cm: null, firmness: 'unknown', arms: false, castors: false }
}

/** The props of a room with one kind put in or taken out. */
export function toggled(props: RoomProp[], kind: string): RoomProp[] {
  return props.some((p) => p.kind === kind) ? props.filter((p) => p.kind !== kind) : [...props, { kind, size_cm: null, count: 1 }]
}

/** A name that no other room has. */
export function freeName(rooms: Room[], wanted: string): string {
  const taken = new Set(rooms.map((r) => r.name))
  if (!taken.has(wanted)) return wanted
  let n = 2
  while (taken.has(`${wanted} ${n}`)) n++
  return `${wanted} ${n}`
}
