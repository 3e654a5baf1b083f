import { expect, it } from 'vitest'
import { placeInWords } from './places'

it.each([
  ['$.person.birth_date', 'person, birth date'],
  ['$.room.seats[0].height_cm', 'room, seats 1, height cm'],
  ['$.clinician_words[11].bound', 'clinician words 12, bound'],
  ['$', ''],
])('%s is said as “%s”', (path, said) => expect(placeInWords(path)).toBe(said))
