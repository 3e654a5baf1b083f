import { expect, it } from 'vitest'
import { mounted, press, served } from '../../specs/served'
import GoalList from './GoalList.vue'

const reference = {
  tasks: [{ id: 'stairs', title: 'Stairs', asks: ['leg strength', 'balance'], ends: ['Step up'] }],
  purposes: [{ id: 'balance', title: 'Balance' }],
}
const NONE = { words: '', task: null, asks: [] as string[] }
const shown = (goals: { words: string; task: string | null; asks: string[] }[]) =>
  mounted(GoalList, { props: { modelValue: goals }, reference })
const last = (page: Awaited<ReturnType<typeof shown>>) => page.emitted('update:modelValue')!.at(-1)![0]

it('shows the words of a goal and reads nothing into them', async () => {
  served({})
  const page = await shown([NONE])
  await page.get('input').setValue('climb the stairs again')
  expect(last(page)).toEqual([{ words: 'climb the stairs again', task: null, asks: [] }])
  expect(page.text()).toContain('No task is chosen')
})

it('says where a task leads', async () => {
  served({})
  const page = await shown([{ words: 'up to bed', task: 'stairs', asks: [] }])
  expect(page.text()).toContain('leg strength, balance')
  expect(page.text()).toContain('Step up')
  expect(page.text()).not.toContain('No task is chosen')
})

it('a task takes the place of what was mapped by hand', async () => {
  served({})
  const page = await shown([{ words: 'up to bed', task: null, asks: ['balance'] }])
  await press(page, 'Stairs')
  expect(last(page)).toEqual([{ words: 'up to bed', task: 'stairs', asks: [] }])
})

it('takes away the goal that was meant', async () => {
  served({})
  const goals = ['one', 'two', 'three'].map((words) => ({ ...NONE, words }))
  const page = await shown(goals)
  await page
    .findAll('button')
    .filter((b) => b.text() === 'Take out')[1]!
    .trigger('click')
  expect((last(page) as typeof goals).map((g) => g.words)).toEqual(['one', 'three'])
  await press(page, 'Add a goal')
  expect((last(page) as typeof goals).map((g) => g.words)).toEqual(['one', 'three', ''])
})
