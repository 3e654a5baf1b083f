import { describe, expect, it } from 'vitest'
import { emptyRoom, emptySeat, freeName, toggled } from './rooms'

describe('rooms', () => {
  it('begin with nothing that nobody has looked at', () => {
    const room = emptyRoom('kitchen')
    expect(room.seats).toEqual([])
    expect(room.floor_grip).toBe('unknown')
    expect(emptySeat('chair').firmness).toBe('unknown')
  })
  it('put a prop in and take it out again', () => {
    const one = toggled([], 'towel')
    expect(one).toEqual([{ kind: 'towel', size_cm: null, count: 1 }])
    expect(toggled(toggled(one, 'belt'), 'towel').map((p) => p.kind)).toEqual(['belt'])
  })
  it('never share a name', () => {
    const rooms = [emptyRoom('centre'), emptyRoom('centre 2')]
    expect(freeName(rooms, 'centre')).toBe('centre 3')
    expect(freeName(rooms, 'kitchen')).toBe('kitchen')
  })
})
