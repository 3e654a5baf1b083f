import { expect, it } from 'vitest'
import { mounted, served } from '../specs/served'
import LeftOut from './LeftOut.vue'

const fault = (path: string, reason = 'not a number') => ({ path, reason })
const shown = (faults: unknown[], bare = false) => {
  served({})
  return mounted(LeftOut, { props: { faults, bare } })
}

it('says a reason once, with the places where it was', async () => {
  const page = await shown([fault('row 2'), fault('row 5'), fault('row 3', 'no such test')])
  expect(page.findAll('li').map((l) => l.text())).toEqual(['row 2, row 5: not a number', 'row 3: no such test'])
})

it('folds many places under their reason, and loses none', async () => {
  const page = await shown(Array.from({ length: 40 }, (_, i) => fault(`row ${i}`)))
  expect(page.findAll('li')).toHaveLength(1)
  expect(page.get('summary').text()).toContain('40')
  expect(page.get('details').text()).toContain('row 39')
})

it('is not there when everything was taken', async () => {
  expect((await shown([])).find('div').exists()).toBe(false)
})
