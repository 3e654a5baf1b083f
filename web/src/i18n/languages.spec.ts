import { describe, expect, it } from 'vitest'
import { i18n, language, say, speak, speakAsBefore } from '.'
import de from './de'
import en from './en'

describe('the language of the page', () => {
  it('is English until another is chosen, whose words come then', async () => {
    expect(language()).toBe('en')
    expect(say('day.title')).toBe(en['day.title'])
    await speak('de')
    expect(say('day.title')).toBe(de['day.title'])
    expect(document.documentElement.lang).toBe('de')
    expect(i18n.global.availableLocales).toContain('de')
  })
  it('stays chosen on this device', async () => {
    await speak('de')
    i18n.global.locale.value = 'en'
    await speakAsBefore()
    expect(language()).toBe('de')
  })
  it('is English where what was kept is no language of ours', async () => {
    localStorage.setItem('amvel.language', 'xx')
    await speakAsBefore()
    expect(language()).toBe('en')
    expect(document.documentElement.lang).toBe('en')
  })
  it('says values at their places in both', async () => {
    expect(say('measure.decides', { n: 14 })).toContain('14')
    await speak('de')
    expect(say('measure.decides', { n: 14 })).toContain('14')
  })
  it('has a word of its own for every place of every sentence', () => {
    const places = (text: string) => [...text.matchAll(/\{(\w+)\}/g)].map((m) => m[1]).sort()
    for (const key of Object.keys(en) as (keyof typeof en)[]) expect([key, places(de[key])]).toEqual([key, places(en[key])])
  })
})
