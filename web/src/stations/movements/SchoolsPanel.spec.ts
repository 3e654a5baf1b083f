import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { alarm, changes, mounted, Refusal, served, viewOf } from '../../specs/served'
import SchoolsPanel from './SchoolsPanel.vue'

const QUESTIONS = {
  questions: [
    {
      id: 'breath',
      title: 'Breath',
      chosen: 'out_on_effort',
      because: '',
      by_family: { hinge: 'in_on_effort' },
      options: [
        { id: 'out_on_effort', title: 'Out', why: 'most teach so', refused: '' },
        { id: 'in_on_effort', title: 'In', why: 'some teach so', refused: '' },
        { id: 'held', title: 'Held', why: '', refused: 'not with this blood pressure' },
      ],
    },
  ],
}
const view = viewOf({ case: { schools: { pelvis: 'neutral' }, family_schools: { bridge: { pelvis: 'tucked' } } } })
const shown = async (props: Record<string, unknown> = {}, answer: unknown = viewOf({ revision: 4 })) => {
  const sent = served({ 'GET /clients/a': view, 'GET /clients/a/schools': QUESTIONS, 'PATCH /clients/a': answer })
  return { page: await mounted(SchoolsPanel, { view, props }), sent }
}
type Page = Awaited<ReturnType<typeof shown>>['page']
const taken = (page: Page) => page.findAll('input[type=radio]').map((r) => (r.element as HTMLInputElement).checked)
const sections = (sent: ReturnType<typeof served>) => (changes(sent)[0]!.body as { sections: unknown }).sections
async function choose(page: Page, at: number): Promise<void> {
  await page.findAll('input[type=radio]')[at]!.setValue(true)
  await flushPromises()
}

it('shows what counts for the client, or for one family where that has its own', async () => {
  expect(taken((await shown()).page)).toEqual([true, false, false])
  expect(taken((await shown({ family: 'hinge' })).page)).toEqual([false, true, false])
  expect(taken((await shown({ family: 'bridge' })).page)).toEqual([true, false, false])
})

it('what this client may not do cannot be chosen, and says why', async () => {
  const { page } = await shown()
  expect(page.findAll('input[type=radio]')[2]!.attributes('disabled')).toBeDefined()
  expect(page.text()).toContain('not with this blood pressure')
})

it('an answer for the client leaves the others', async () => {
  const { page, sent } = await shown()
  await choose(page, 1)
  expect(sections(sent)).toEqual({ schools: { pelvis: 'neutral', breath: 'in_on_effort' } })
})

it('an answer for one family leaves the other families', async () => {
  const { page, sent } = await shown({ family: 'hinge' })
  await choose(page, 0)
  expect(sections(sent)).toEqual({ family_schools: { bridge: { pelvis: 'tucked' }, hinge: { breath: 'out_on_effort' } } })
})

it('an answer that was refused does not stay marked', async () => {
  const { page } = await shown({}, new Refusal(409, 'somebody was faster'))
  await choose(page, 1)
  expect(alarm(page)).toContain('somebody was faster')
  expect(taken(page)).toEqual([true, false, false])
})
