import { nextTick } from 'vue'
import { expect, it } from 'vitest'
import { language, speak } from '../i18n'
import { used } from '../specs/served'
import { useSaid } from './said'

it('is asked at once, and again when another language is chosen', async () => {
  const heard: string[] = []
  used(() => useSaid(() => heard.push(language())))
  expect(heard).toEqual(['en'])
  await speak('de')
  await nextTick()
  await speak('de')
  await nextTick()
  expect(heard).toEqual(['en', 'de'])
})
