import 'fake-indexeddb/auto'
import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it } from 'vitest'
import { say } from '../../i18n'
import { forgetEverything } from '../../offline/vault'
import { changes, mounted, press, Refusal, served } from '../../specs/served'
import HomePage from './HomePage.vue'

const side = (name: string) => ({ side: name, repetitions: 8, sets: 2, hold_s: 0, frames: ['<svg></svg>'], beats: [], measures: [] })
const movement = (ref: string, sides = [side('left'), side('right')]) => ({
  ref,
  family_title: ref,
  title: ref,
  minutes: 4,
  do: ['Lift.'],
  take: [],
  sides,
})
const TODAY = {
  first_name: 'Orla',
  language: 'en',
  closed: '',
  paused: [],
  last: null,
  sheet: { session: 'B', settling: [], movements: [movement('hinge'), movement('bridge', [side('both')])] },
}
const HOME = '/home/secret'
const shown = async (today: unknown = TODAY, answers: Record<string, unknown> = {}) => {
  const sent = served({ [`GET ${HOME}`]: today, [`POST ${HOME}/visits`]: {}, ...answers })
  return { page: await mounted(HomePage, { at: HOME, path: '/home/:code' }), sent }
}
const visitOf = async (sent: ReturnType<typeof served>) => {
  for (let i = 0; i < 50 && !changes(sent).length; i++) await new Promise((later) => setTimeout(later, 10))
  return (changes(sent).at(-1)!.body as { visit: Record<string, unknown> }).visit
}
beforeEach(() => forgetEverything())

it('goes through the movements, and sends what was done of each side', async () => {
  const { page, sent } = await shown()
  expect(page.text()).toContain('Orla')
  await press(page, say('home.begin'))
  await press(page, say('home.all'))
  for (let i = 0; i < 3; i++) await press(page, say('home.one'))
  await press(page, say('home.less'))
  await page.findAll('.scale button')[4]!.trigger('click')
  await press(page, say('home.finish'))
  const visit = await visitOf(sent)
  expect(visit).toMatchObject({ context: 'home', by: 'client', session: 'B', effort_0_to_10: 4 })
  const [hinge, bridge] = visit.movements as { step: string; sets: { side: string; clean: number; ended_by: string }[] }[]
  expect(hinge!.sets.map((s) => [s.side, s.clean, s.ended_by])).toEqual([
    ['left', 8, 'target'],
    ['left', 8, 'target'],
    ['right', 8, 'target'],
    ['right', 8, 'target'],
  ])
  expect(bridge!.sets.map((s) => [s.clean, s.ended_by])).toEqual([[3, 'person']])
})

it('who is not asked how hard it was has not said so', async () => {
  const { page, sent } = await shown({ ...TODAY, sheet: { ...TODAY.sheet, movements: [movement('bridge')] } })
  await press(page, say('home.begin'))
  await press(page, say('home.all'))
  await press(page, say('home.finish'))
  expect(await visitOf(sent)).toMatchObject({ effort_0_to_10: null })
})

it('where it hurts ends that movement and goes on with the next', async () => {
  const { page, sent } = await shown()
  await press(page, say('home.begin'))
  await press(page, say('home.one'))
  await press(page, say('home.hurts'))
  await press(page, say('where.knee'))
  await press(page, say('home.all'))
  await press(page, say('home.finish'))
  const [first] = (await visitOf(sent)).movements as { sets: unknown[]; symptoms: unknown[] }[]
  expect(first).toMatchObject({ sets: [{ clean: 1, ended_by: 'symptom' }], symptoms: [{ what: 'pain', where: 'knee' }] })
  expect(page.text()).toContain(say('home.hurtsLead'))
})

it('a bad day is said in one tap, and is no failure', async () => {
  const { page, sent } = await shown()
  await press(page, say('home.badDay'))
  const done = (await visitOf(sent)).movements as { sets: unknown[]; skipped: string }[]
  expect(done.map((m) => m.skipped)).toEqual(['tired', 'tired'])
  expect(page.text()).toContain(say('home.badDayLead'))
})

it('leaves out what is paused, and says so', async () => {
  const { page } = await shown({ ...TODAY, paused: ['hinge'] })
  expect(page.text()).toContain(say('home.paused', { what: 'hinge' }))
  await press(page, say('home.begin'))
  expect(page.get('h1').text()).toBe('bridge')
})

it('asks how the day after was, and a worse one is looked at before anything begins', async () => {
  let today: unknown = { ...TODAY, last: { id: 'v-1', on: '2026-11-26', told: false } }
  const { page, sent } = await shown(() => today, { [`POST ${HOME}/visits/v-1/next-day`]: {} })
  today = { ...TODAY, closed: 'stopped' }
  await press(page, say('home.worse'))
  for (let i = 0; i < 50 && !page.text().includes(say('home.stopped')); i++) {
    await new Promise((later) => setTimeout(later, 10))
    await flushPromises()
  }
  expect(changes(sent)[0]!.body).toMatchObject({ next_day: { flare: true, soreness_0_to_10: null } })
  expect(page.text()).toContain(say('home.stopped'))
})

it('a link that was taken back opens nothing', async () => {
  const { page } = await shown(new Refusal(404, 'no such link'))
  expect(page.get('[role=alert]').text()).toContain(say('home.gone'))
  expect(page.findAll('.tall')).toHaveLength(0)
})

it('speaks the language of the client', async () => {
  const { page } = await shown({ ...TODAY, language: 'de' })
  for (let i = 0; i < 50 && !page.text().includes('Los'); i++) {
    await new Promise((later) => setTimeout(later, 20))
    await flushPromises()
  }
  const begun = say('home.begin')
  const { speak } = await import('../../i18n')
  await speak('en')
  expect(begun).not.toBe(say('home.begin'))
})
