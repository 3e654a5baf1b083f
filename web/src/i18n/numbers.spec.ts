import { describe, expect, it } from 'vitest'
import { say, speak } from '.'
import { numberShown } from './numbers'

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
