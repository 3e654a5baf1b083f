import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { alarm, changes, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import PositionsAndWays from './PositionsAndWays.vue'

const shown = async (tolerates: Record<string, unknown> = {}, answer: unknown = viewOf({ revision: 4 })) => {
  const view = viewOf({ case: { tolerates: { lying_flat: 'unknown', kneeling: 'unknown', ...tolerates } } })
  const sent = served({ 'GET /clients/a': view, 'PATCH /clients/a': answer })
  return { page: await mounted(PositionsAndWays, { view }), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
const asks = (page: Page, position: 'lying_propped' | 'hands_and_knees') => page.text().includes(say(`position.${position}`))

it('asks for lying propped only of who does not lie flat', async () => {
  expect(asks((await shown()).page, 'lying_propped')).toBe(true)
  expect(asks((await shown({ lying_flat: 'no' })).page, 'lying_propped')).toBe(true)
  expect(asks((await shown({ lying_flat: 'yes' })).page, 'lying_propped')).toBe(false)
})

it('asks for hands and knees of whoever may kneel', async () => {
  expect(asks((await shown({ kneeling: 'no' })).page, 'hands_and_knees')).toBe(false)
  expect(asks((await shown({ kneeling: 'yes' })).page, 'hands_and_knees')).toBe(true)
})

it('keeps what was told, what was not asked, and how words arrive', async () => {
  const { page, sent } = await shown({ floor: 'no' })
  await press(page, say('way.pictures'))
  await press(page, say('dislike.noise'))
  await press(page, say('dislike.noise')) // it was a slip
  await press(page, say('story.save'))
  expect((changes(sent)[0]!.body as { sections: unknown }).sections).toMatchObject({
    tolerates: { floor: 'no', lying_flat: 'unknown', kneeling: 'unknown' },
    understanding: { by: ['pictures'], dislikes: [], language: 'en' },
  })
  expect(page.emitted('kept')).toHaveLength(1)
})

it('says why it was not kept', async () => {
  const { page } = await shown({}, new Refusal(403, 'this is for a specialist'))
  await press(page, say('story.save'))
  expect(alarm(page)).toBe('this is for a specialist')
  expect(page.emitted('kept')).toBeUndefined()
})
