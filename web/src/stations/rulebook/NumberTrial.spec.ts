import { flushPromises, mount } from '@vue/test-utils'
import ElementPlus from 'element-plus'
import { createPinia, setActivePinia } from 'pinia'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { beforeEach, expect, it, vi } from 'vitest'
import type { RuleNumber } from '../../api/schemas'
import { i18n } from '../../i18n'
import { useSession } from '../../stores/session'
import NumberTrial from './NumberTrial.vue'
import type { TriedLine } from './NumberTrial.vue'

const number = { id: 'deg', value: 10, unit: 'deg', says: 'rounding', source: '', since: '2020-01-01' } as RuleNumber
const line = (value: number): TriedLine => ({ rule: 'thin', title: 'Thin bones', number, value })
const FOUND = { clients: [], untouched: 3, unreadable: [] }
let asked: unknown[] = []

function mounted(lines: TriedLine[]) {
  const pinia = createPinia()
  setActivePinia(pinia)
  const trial = mount(NumberTrial, {
    props: { modelValue: lines },
    global: { plugins: [pinia, i18n, ElementPlus, VueQueryPlugin], stubs: { RouterLink: true } },
  })
  useSession().may = () => true
  return trial
}
beforeEach(() => {
  asked = []
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push(JSON.parse(await request.clone().text()))
    return new Response(JSON.stringify(FOUND), { status: 200, headers: { 'content-type': 'application/json' } })
  })
})

it('tries all figures together, and what was found counts for exactly these', async () => {
  const trial = mounted([line(5), { ...line(7), rule: 'other' }])
  await trial.get('.main-action').trigger('click')
  await flushPromises()
  expect(asked).toEqual([
    {
      lines: [
        { rule: 'thin', number: 'deg', value: 5 },
        { rule: 'other', number: 'deg', value: 7 },
      ],
    },
  ])
  expect(trial.find('[data-testid="touched"]').exists()).toBe(true)
  await trial.setProps({ modelValue: [line(6)] })
  expect(trial.find('[data-testid="touched"]').exists()).toBe(false)
})

it('asks for nothing to be signed before it was tried on everybody and has a reason', async () => {
  const trial = mounted([line(5)])
  expect(trial.find('textarea').exists()).toBe(false)
  await trial.get('.main-action').trigger('click')
  await flushPromises()
  const ask = trial.findAll('button').at(-1)!
  expect(ask.attributes('disabled')).toBeDefined()
  await trial.get('textarea').setValue('the hospital nearby counts so')
  expect(ask.attributes('disabled')).toBeUndefined()
  await ask.trigger('click')
  await flushPromises()
  expect(asked.at(-1)).toEqual({ lines: [{ rule: 'thin', number: 'deg', value: 5 }], reason: 'the hospital nearby counts so' })
  expect(trial.emitted('asked')).toHaveLength(1)
})
