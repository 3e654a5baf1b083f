import { describe, expect, it } from 'vitest'
import { say, speak } from '.'
import { numberRead, numberShown } from './numbers'

describe('numbers as people write them', () => {
  it('have the decimals of the language of the page, and a minus that is one', async () => {
    expect(numberShown(12.5)).toBe('12.5')
    expect(numberShown(-2.5)).toBe('−2.5')
    await speak('de')
    expect(numberShown(12.5)).toBe('12,5')
  })
  it('are not rounded, nor filled up, unless somebody asks', () => {
    expect(numberShown(0.125)).toBe('0.125')
    expect(numberShown(40)).toBe('40')
    expect(numberShown(40, 1)).toBe('40.0')
    expect(numberShown(0.126, 2)).toBe('0.13')
  })
  it('are not torn apart: a year stays a year', () => expect(numberShown(2026)).toBe('2026'))
  it('stand so in every sentence', async () => {
    await speak('de')
    expect(say('visit.of', { n: 2.5 })).toContain('2,5')
  })
})

describe('a number that somebody typed', () => {
  it.each([
    ['164', 164],
    [' 164.5 ', 164.5],
    ['1,5', 1.5],
    ['.5', 0.5],
    ['−2,5', -2.5],
    ['-2.5', -2.5],
  ])('%s is one', (text, number) => expect(numberRead(text)).toBe(number))
  it.each(['', 'tall', '1.2.3', '1,234.5', '16o', '1e3', '-'])('“%s” is none', (text) => expect(numberRead(text)).toBeUndefined())
  it.each([0, 0.125, -8, 164.5])('%s is read as it was shown, in either language', async (number) => {
    expect(numberRead(numberShown(number))).toBe(number)
    await speak('de')
    expect(numberRead(numberShown(number))).toBe(number)
  })
})
