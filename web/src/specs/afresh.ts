import { afterEach, expect, vi } from 'vitest'
import { speak } from '../i18n'
import { intervalsLeft } from './intervals'
import { ended } from './served'

// Test files share a page and its modules, since making them costs more than most tests: each leaves them as they were.
afterEach(async () => {
  const unforeseen = ended()
  vi.useRealTimers()
  const left = intervalsLeft()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
  await speak('en')
  localStorage.clear()
  sessionStorage.clear()
  document.body.replaceChildren()
  // A page that asks what its test does not answer would pass for a reason that nobody sees.
  expect(unforeseen).toEqual([])
  expect(left).toEqual([])
})
