import 'fake-indexeddb/auto'
import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it } from 'vitest'
import { forgetEverything } from '../../offline/vault'
import { changes, mounted, press, served } from '../../specs/served'
import BeforeWe from './BeforeWe.vue'

const sheet = (more: Record<string, unknown> = {}, last?: unknown) => ({
  copy_hours: 72,
  name: 'Orla',
  last,
  sheet: { stop_signs: [{ id: 'chest_pain', says: 'Chest pain now' }], asks_pressure: false, ...more },
})
const shown = (of: unknown, offline = false, modelValue: Record<string, unknown> = {}) =>
  mounted(BeforeWe, { props: { sheet: of, clientId: 'a', offline, modelValue } })
beforeEach(() => forgetEverything())

it('asks for stop signs where the server cannot have asked, before anything else', async () => {
  served({})
  const page = await shown(sheet(), true)
  expect(page.findAll('fieldset')).toHaveLength(0)
  expect(page.text()).toContain('Chest pain now')
  await press(page, 'None of these')
  expect(page.findAll('fieldset').length).toBeGreaterThan(0)
})

it('a stop sign that is told there ends it at once', async () => {
  served({})
  const page = await shown(sheet(), true)
  await press(page, 'Chest pain now')
  expect(page.emitted('stop')).toEqual([['chest_pain']])
  expect(page.emitted('begin')).toBeUndefined()
})

it('asks where it hurts only when it hurts', async () => {
  served({})
  const where = 'Where'
  expect((await shown(sheet())).text()).not.toContain(where)
  expect((await shown(sheet(), false, { pain: 0 })).text()).not.toContain(where)
  expect((await shown(sheet(), false, { pain: 3 })).text()).toContain(where)
})

it('reminds of the blood pressure where it matters', async () => {
  served({})
  expect((await shown(sheet())).find('[role=status]').exists()).toBe(false)
  expect((await shown(sheet({ asks_pressure: true }))).find('[role=status]').exists()).toBe(true)
})

it('tells how the day after was, and invents no soreness that nobody told', async () => {
  const sent = served({ 'POST /clients/a/visits/v-1/next-day': {} })
  const page = await shown(sheet({}, { id: 'v-1', on: '2026-11-24', told: false }))
  await press(page, 'As usual')
  await flushPromises()
  await new Promise((later) => setTimeout(later, 50))
  expect(changes(sent)[0]).toMatchObject({ body: { next_day: { flare: false, soreness_0_to_10: null } } })
})

it('does not ask again what was told already', async () => {
  served({})
  const page = await shown(sheet({}, { id: 'v-1', on: '2026-11-24', told: true }))
  expect(page.findAll('button').some((b) => b.text() === 'As usual')).toBe(false)
})
