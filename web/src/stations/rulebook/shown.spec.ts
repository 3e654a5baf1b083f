import { describe, expect, it } from 'vitest'
import { shown } from './shown'

describe('a figure of the rule-book', () => {
  it('keeps its unit at its side', () => {
    expect(shown({ value: 10, unit: 'deg' })).toBe('10°')
    expect(shown({ value: 2.5, unit: 'mg/day' })).toBe('2.5\u00a0mg/day')
    expect(shown({ value: 0.5, unit: '' })).toBe('0.5')
  })
  it('says a level by its name', () => expect(shown({ value: 2, unit: 'stance' })).toBe('stance 2'))
  it('shows nothing where a rule has no number', () => expect(shown({ value: null, unit: '' })).toBe(''))
})
