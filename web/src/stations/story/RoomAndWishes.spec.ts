import { expect, it } from 'vitest'
import { say } from '../../i18n'
import { alarm, changes, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import RoomAndWishes from './RoomAndWishes.vue'

const SAVE = say('story.save')
const shown = async (parts: Record<string, unknown> = {}, answer: unknown = viewOf({ revision: 4 })) => {
  const view = viewOf({ case: parts })
  const sent = served({ 'GET /clients/a': view, 'PATCH /clients/a': answer })
  return { page: await mounted(RoomAndWishes, { view, reference: { movements: [], tasks: [], purposes: [] } }), sent }
}
const kept = (sent: ReturnType<typeof served>) =>
  (changes(sent)[0]!.body as { sections: { room: { seats: unknown[] }; wishes: Record<string, unknown> } }).sections
const wishes = (more: Record<string, unknown>) => ({ wishes: { ...viewOf().case.wishes, ...more } })

it('puts no chair into a room that nobody has seen', async () => {
  const { page, sent } = await shown()
  await press(page, SAVE)
  expect(kept(sent).room.seats).toEqual([])
  expect(page.emitted('kept')).toHaveLength(1)
})

it('a seat that is added is there', async () => {
  const { page, sent } = await shown()
  await press(page, say('story.addSeat'))
  await press(page, SAVE)
  expect(kept(sent).room.seats).toMatchObject([{ firmness: 'unknown', arms: false }])
})

it('hours of medicine are hours, several or none', async () => {
  const { page, sent } = await shown(wishes({ medicine_hours: ['08:00:00', '13:30:00'] }))
  const field = page.get('input[placeholder="08:00, 13:00"]')
  expect((field.element as HTMLInputElement).value).toBe('08:00, 13:30')
  await field.setValue('8 o’clock')
  await press(page, SAVE)
  expect(alarm(page)).toContain('8 o’clock')
  expect(changes(sent)).toEqual([])
  await field.setValue('')
  await press(page, SAVE)
  expect(kept(sent).wishes.medicine_hours).toEqual([])
})

it('a goal without words is none', async () => {
  const goals = [
    { words: '  ', task: null, asks: [] },
    { words: 'swim', task: null, asks: [] },
  ]
  const { page, sent } = await shown(wishes({ goals }))
  await press(page, SAVE)
  expect(kept(sent).wishes.goals).toEqual([goals[1]])
})

it('a save that failed leads nowhere and says why', async () => {
  const { page } = await shown({}, new Refusal(422, '', { faults: [{ path: '$.wishes.away[0]', reason: 'ends before it begins' }] }))
  await press(page, SAVE)
  expect(alarm(page)).toContain('ends before it begins')
  expect(page.emitted('kept')).toBeUndefined()
})
