import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { i18n } from '../../i18n'
import StepFaults from './StepFaults.vue'

const FAULTS = [
  { name: 'breath held', seen: 'the breath stops', means: 'too much', cue: 'breathe out first', drawn: false },
  { name: 'pelvis rocks', seen: 'one side drops', means: 'the leg is heavy', cue: 'half the range', drawn: true },
  { name: 'back arches', seen: 'the back leaves its place', means: 'the belly lets go', cue: 'come back', drawn: true },
]
const shownFor = (load: () => Promise<string[]>) => mount(StepFaults, { props: { faults: FAULTS, load }, global: { plugins: [i18n] } })
const pictureIn = (page: ReturnType<typeof shownFor>): string => page.find('[data-testid=fault]').element?.innerHTML ?? ''
function later(): { answer: Promise<string[]>; give: (pictures: string[]) => void } {
  let give: (pictures: string[]) => void = () => undefined
  const answer = new Promise<string[]>((done) => (give = done))
  return { answer, give }
}

describe('the faults of a step', () => {
  it('asks for pictures only when one is wanted, and once for all of them', async () => {
    const load = vi.fn(async () => ['', '<svg id="rocks"></svg>', '<svg id="arches"></svg>'])
    const page = shownFor(load)
    expect(load).not.toHaveBeenCalled()
    expect(page.findAll('button')).toHaveLength(2) // the breath cannot be seen
    await page.findAll('button')[0].trigger('click')
    await flushPromises()
    expect(pictureIn(page)).toContain('rocks')
    await page.findAll('button')[1].trigger('click')
    await flushPromises()
    expect(pictureIn(page)).toContain('arches')
    expect(load).toHaveBeenCalledTimes(1)
  })

  it('never shows the picture of a step that is left under the next one', async () => {
    const [slow, quick] = [later(), later()]
    const page = shownFor(() => slow.answer)
    await page.findAll('button')[0].trigger('click')
    await page.setProps({ load: () => quick.answer })
    quick.give(['', '<svg id="of-the-next"></svg>', ''])
    await flushPromises()
    slow.give(['', '<svg id="of-the-last"></svg>', ''])
    await flushPromises()
    expect(pictureIn(page)).toContain('of-the-next')
  })

  it('says so where a fault cannot be seen on this body, and when the server does not answer', async () => {
    const page = shownFor(async () => ['', '', ''])
    await page.findAll('button')[0].trigger('click')
    await flushPromises()
    expect(page.text()).toContain('cannot be seen in a picture')
    await page.setProps({ load: () => Promise.reject(new Error('gone')) })
    await flushPromises()
    expect(page.find('[role=alert]').exists()).toBe(true)
  })
})
