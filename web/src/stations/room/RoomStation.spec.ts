import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { say } from '../../i18n'
import { alarm, changes, isOff, mounted, press, Refusal, served, viewOf } from '../../specs/served'
import { emptyRoom } from './rooms'
import RoomStation from './RoomStation.vue'

const fit = (id: string, more: Record<string, unknown> = {}) => ({
  id,
  title: id,
  value: 43,
  unit: 'cm',
  says: `${id} is said`,
  source: 'hand statics',
  svg: '',
  fits: true,
  ...more,
})
const FITS = { fits: [fit('seat', { svg: '<svg id="seat"></svg>' }), fit('worktop', { fits: false })], refused: [] }
const view = () => viewOf({ case: { room: emptyRoom('Home', 'home'), other_rooms: [emptyRoom('Studio', 'visit')] } })
const KEEP = say('room.keep')
const shown = async (answers: Record<string, unknown> = {}) => {
  const sent = served({
    'GET /clients/a': view(),
    'GET /props': { props: [] },
    'POST /clients/a/fits': FITS,
    'PATCH /clients/a': viewOf({ ...view(), revision: 4 }),
    ...answers,
  })
  return { page: await mounted(RoomStation, { view: view() }), sent }
}
const fitted = (sent: ReturnType<typeof served>) =>
  sent.filter((s) => s.path.endsWith('/fits')).map((s) => (s.body as { room: { name: string } }).room.name)
beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] }))
async function later(): Promise<void> {
  await vi.advanceTimersByTimeAsync(800)
  await flushPromises()
}

it('draws what can be drawn, and says the rest, with what does not fit', async () => {
  const { page } = await shown()
  expect(page.html()).toContain('id="seat"')
  expect(page.text()).toContain('worktop is said')
  expect(
    page
      .findAll('.alert')
      .map((a) => a.text())
      .join(),
  ).toContain('worktop is said')
})

it('each room is fitted by itself', async () => {
  const { page, sent } = await shown()
  await press(page, 'Studio')
  await later()
  expect(fitted(sent)).toEqual(['Home', 'Studio'])
})

it('is kept when something was changed, all rooms at once', async () => {
  const { page, sent } = await shown()
  expect(isOff(page, KEEP)).toBe(true)
  await press(page, say('room.another'))
  expect(isOff(page, KEEP)).toBe(false)
  await press(page, KEEP)
  const [patch] = changes(sent).filter((s) => s.method === 'PATCH')
  const { sections } = patch!.body as { sections: { room: { name: string }; other_rooms: { name: string }[] } }
  expect([sections.room.name, ...sections.other_rooms.map((r) => r.name)]).toHaveLength(3)
  expect(new Set([sections.room.name, ...sections.other_rooms.map((r) => r.name)]).size).toBe(3)
})

it('the room at home cannot be taken away', async () => {
  const { page } = await shown()
  expect(page.findAll('button').some((b) => b.text() === say('room.drop'))).toBe(false)
  await press(page, 'Studio')
  await press(page, say('room.drop'))
  expect(page.findAll('button').some((b) => b.text() === 'Studio')).toBe(false)
})

it('fits that cannot be reckoned are said, and the room can be kept all the same', async () => {
  const { page, sent } = await shown({ 'POST /clients/a/fits': new Refusal(422, 'the seat is too low for this body') })
  expect(alarm(page)).toBe('the seat is too low for this body')
  await press(page, say('room.another'))
  await press(page, KEEP)
  expect(changes(sent).some((s) => s.method === 'PATCH')).toBe(true)
})

it('what was refused is still there to be changed', async () => {
  const { page } = await shown({ 'PATCH /clients/a': new Refusal(409, 'somebody was faster') })
  await press(page, say('room.another'))
  await press(page, KEEP)
  expect(alarm(page)).toBe('somebody was faster')
  expect(isOff(page, KEEP)).toBe(false)
})
