import { expect, it } from 'vitest'
import { mounted, press, served } from '../../specs/served'
import SetUp from './SetUp.vue'

const side = (name: string, measures: string[]) => ({ side: name, measures, frames: ['<svg id="own"></svg>'] })
const movement = {
  title: 'Low bridge',
  take: ['a folded towel'],
  setup: ['On the back.'],
  do: ['Lift.', 'Lower.'],
  sides: [side('left', ['towel 4 cm', 'feet 20 cm']), side('right', ['towel 4 cm', 'feet 26 cm'])],
  feedback: [{ tells: 'the towel stays', misleads: 'when the breath is held' }],
}
const rung = { title: 'Easier', setup: ['In bed.'], measures: ['head end 30°'], do: ['Press.'], picture: '<svg id="easier"></svg>' }
const way = {
  way: { to: 'floor', title: 'Down to the floor' },
  stages: [{ title: 'Kneel', picture: '<svg></svg>', do: ['One knee first.'] }],
}
const shown = (more: Record<string, unknown> = {}) => {
  served({})
  return mounted(SetUp, { props: { sheet: { ways: [way] }, movement, ...more } })
}

it('lists what is taken, every measure once, and how it is set up', async () => {
  const page = await shown()
  expect(page.findAll('.line').map((l) => l.text())).toEqual(['a folded towel', 'towel 4 cm', 'feet 20 cm', 'feet 26 cm', 'On the back.'])
  expect(page.text()).toContain('when the breath is held')
})

it('ticks what is done, and takes a tick back', async () => {
  const page = await shown()
  const line = page.findAll('.line')[1]!
  await line.trigger('click')
  expect(line.attributes('aria-pressed')).toBe('true')
  await line.trigger('click')
  expect(line.attributes('aria-pressed')).toBe('false')
})

it('shows another step as that step is set up', async () => {
  const page = await shown({ rung })
  expect(page.findAll('.line').map((l) => l.text())).toEqual(['In bed.', 'head end 30°'])
  expect(page.html()).toContain('id="easier"')
  expect(page.html()).not.toContain('id="own"')
  expect(page.text()).not.toContain('the towel stays') // what tells belongs to the other one
})

it('shows how the position is reached when it is asked', async () => {
  const page = await shown()
  expect(page.text()).not.toContain('One knee first.')
  await press(page, 'how to get there')
  expect(page.text()).toContain('One knee first.')
  await page.get('.main-action').trigger('click')
  expect(page.emitted('ready')).toHaveLength(1)
})
