import { flushPromises } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { say } from '../../i18n'
import { alarm, changes, isOff, mounted, press, Refusal, served } from '../../specs/served'
import PracticeStation from './PracticeStation.vue'

const SEED = 417
const STANDING = {
  due: [
    { kind: 'low_bone_mass', title: 'Low bone mass', right_percent: null },
    { kind: 'stroke', title: 'Stroke', right_percent: 80 },
  ],
  attempts: 1,
  errors: { too_lax: 2, too_strict: 0 },
}
const step = (ref: string) => ({ ref, family_title: ref, title: 'one', do: ['Lift.'], picture: '<svg></svg>' })
const EXERCISE = {
  level: 2,
  seed: SEED,
  about: 'low_bone_mass',
  age: 74,
  sex: 'female',
  facts: ['fell once'],
  results: ['tandem 8 s'],
  tests: [
    { id: 'gait', title: 'Gait' },
    { id: 'tug', title: 'Up and go' },
  ],
  steps: [step('hinge/tall'), step('curl/nod')],
  referrals: ['bone density', 'eyes'],
}
const COMPARED = {
  right: 3,
  asked: 5,
  errors: { too_lax: 1 },
  truth: {
    best_tests: ['tug'],
    decides: { gait: 3, tug: 14 },
    referrals: ['bone density'],
    steps: [
      { ref: 'hinge/tall', answer: 'as_it_is', reasons: [], changes: [] },
      { ref: 'curl/nod', answer: 'out', reasons: [{ limit: 'x', says: 'rounding', here: '22°', reason: 'thin bones' }], changes: [] },
    ],
  },
}
const shown = async (answers: Record<string, unknown> = {}) => {
  const sent = served({
    'GET /practice': STANDING,
    [`GET /practice/2/${SEED}`]: { exercise: EXERCISE },
    [`POST /practice/2/${SEED}`]: COMPARED,
    ...answers,
  })
  return { page: await mounted(PracticeStation), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
async function begun(page: Page): Promise<void> {
  await press(page, say('practice.conditions', { n: 2 }))
  await press(page, say('practice.begin'))
}
async function judged(page: Page): Promise<void> {
  await press(page, 'Up and go')
  const [hinge, curl] = page.findAll('.step')
  await hinge!.findAll('button')[0]!.trigger('click')
  await curl!.findAll('button')[1]!.trigger('click')
}
beforeEach(() => {
  vi.stubGlobal('scrollTo', () => undefined)
  vi.spyOn(crypto, 'getRandomValues').mockImplementation((into) => {
    if (into instanceof Uint32Array) into[0] = SEED
    return into
  })
})

it('begins with what this person has met least, and says which errors were made', async () => {
  const { page, sent } = await shown()
  expect(page.text()).toContain(say('practice.never'))
  expect(page.text()).toContain(say('practice.error.too_lax'))
  expect(page.text()).not.toContain(say('practice.error.too_strict'))
  await begun(page)
  expect(sent.at(-1)!.path).toBe(`/practice/2/${SEED}`)
})

it('shows no truth before everything is judged', async () => {
  const { page } = await shown()
  await begun(page)
  expect(page.text()).not.toContain('14')
  expect(isOff(page, say('practice.compare'))).toBe(true)
  await judged(page)
  expect(isOff(page, say('practice.compare'))).toBe(false)
})

it('compares every answer, with the reason of the rule-book beside it', async () => {
  const { page, sent } = await shown()
  await begun(page)
  await judged(page)
  await press(page, 'bone density')
  await press(page, 'eyes')
  await press(page, 'eyes') // taken back
  await press(page, say('practice.compare'))
  expect(changes(sent)[0]!.body).toEqual({
    about: 'low_bone_mass',
    steps: { 'hinge/tall': 'as_it_is', 'curl/nod': 'changed' },
    test: 'tug',
    referrals: [0],
  })
  expect(page.get('.score').text()).toBe('3/5')
  expect(page.findAll('.answer').map((a) => a.classes().includes('right'))).toEqual([true, false])
  expect(page.text()).toContain('rounding, 22°: thin bones')
  expect(page.text()).toContain('14')
})

it('nothing can be changed once the truth is there', async () => {
  const { page } = await shown()
  await begun(page)
  await judged(page)
  await press(page, say('practice.compare'))
  expect(page.findAll('.step button').every((b) => b.attributes('disabled') !== undefined)).toBe(true)
})

it('the next case begins without the answers of the last', async () => {
  const { page } = await shown()
  await begun(page)
  await judged(page)
  await press(page, say('practice.compare'))
  await press(page, say('practice.another'))
  await begun(page)
  expect(page.findAll('[aria-pressed=true]')).toHaveLength(0)
  expect(page.find('.score').exists()).toBe(false)
})

it('says when no case could be made', async () => {
  const { page } = await shown({ [`GET /practice/2/${SEED}`]: new Refusal(503, 'too much at once') })
  await begun(page)
  await flushPromises()
  expect(alarm(page)).toBe('too much at once')
  expect(isOff(page, say('practice.begin'))).toBe(false)
})
