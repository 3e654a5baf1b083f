import { describe, expect, it } from 'vitest'
import de from '../i18n/de/guide'
import en from '../i18n/en/guide'
import { ON_THE_WAY, stationAfter } from './guide'

describe('the way through a visit', () => {
  it('leads from the first station to the last, and no further', () => {
    const walked = ['story']
    for (let next = stationAfter('story'); next; next = stationAfter(next)) walked.push(next)
    expect(walked).toEqual([...ON_THE_WAY])
    expect(stationAfter('papers')).toBeUndefined()
    expect(stationAfter('rule-book')).toBeUndefined()
  })

  it.each([
    ['en', en],
    ['de', de],
  ])('has its words for every station in %s', (_, words) => {
    for (const station of ON_THE_WAY) for (const part of ['for', 'do']) expect(words).toHaveProperty([`guide.${station}.${part}`])
  })
})
