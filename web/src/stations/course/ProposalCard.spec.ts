import { expect, it } from 'vitest'
import { isOff, mounted, press, served } from '../../specs/served'
import ProposalCard from './ProposalCard.vue'

const proposal = (more: Record<string, unknown> = {}) => ({
  kind: 'step_up',
  title: 'Low bridge',
  side: 'left',
  waits: false,
  says: 'Two sessions clean.',
  evidence: [{ on: '2026-11-24', visit: 'v-1', says: '8 of 8 clean' }],
  would_change: 'a fault',
  source: 'common practice',
  ...more,
})
const shown = (more: Record<string, unknown> = {}, props: Record<string, unknown> = {}) => {
  served({})
  return mounted(ProposalCard, { props: { proposal: proposal(more), may: true, busy: false, ...props } })
}

it('says what it rests on, what would change it, and from where it is', async () => {
  const page = await shown()
  for (const words of ['Low bridge', 'Two sessions clean.', '24 Nov 2026: 8 of 8 clean', 'a fault', 'common practice'])
    expect(page.text()).toContain(words)
})

it('is accepted in one tap', async () => {
  const page = await shown()
  await press(page, 'Do it')
  expect(page.emitted('accept')).toHaveLength(1)
})

it('is declined with a reason, and not without', async () => {
  const page = await shown()
  await press(page, 'Not now')
  expect(isOff(page, 'Keep the decision')).toBe(true)
  await page.get('input').setValue('    ')
  expect(isOff(page, 'Keep the decision')).toBe(true)
  await page.get('input').setValue('  she is away next week ')
  await press(page, 'Keep the decision')
  expect(page.emitted('decline')).toEqual([['she is away next week']])
})

it.each([
  ['waits for something else', { waits: true }, {}],
  ['is looked at by who may not decide', {}, { may: false }],
])('offers nothing while it %s', async (_, more, props) => {
  const page = await shown(more, props)
  expect(page.findAll('button')).toHaveLength(0)
})

it.each(['step_up', 'step_down', 'stay', 'pause', 'refer', 'retest', 'graded_return'])(
  '%s has a shape and a word of its own',
  async (kind) => {
    const shapes = new Set<string>()
    for (const one of [kind, 'stay']) {
      const page = await shown({ kind: one })
      shapes.add(page.get('svg').html())
    }
    expect(shapes.size).toBe(kind === 'stay' ? 1 : 2)
  },
)
