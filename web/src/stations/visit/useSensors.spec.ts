import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { mounted, used } from '../../specs/served'
import SensorPanel from './SensorPanel.vue'
import { asTable, isFound, isReading, points, useSensors } from './useSensors'

const reading = (t_s: number, value: number, sensor: 'cuff' | 'belt' = 'cuff') => ({
  sensor,
  t_s,
  value,
  unit: sensor === 'cuff' ? 'mmHg' : '1',
})

describe('sensors', () => {
  it.each([
    [{ sensor: 'cuff', t_s: 1, value: 40, unit: 'mmHg' }, true],
    [{ sensor: 'ears', t_s: 1, value: 40, unit: 'mmHg' }, false],
    [{ sensor: 'cuff', t_s: '1', value: 40, unit: 'mmHg' }, false],
    [null, false],
  ])('%o is a reading: %s', (data, is) => expect(isReading(data)).toBe(is))
  it('takes what was found for no reading', () => {
    const found = { detected: 'pelvis_rocks', t_s: 3, says: 'The pelvis rocks.' }
    expect([isReading(found), isFound(found)]).toEqual([false, true])
  })
  it('saves the table that the command line reads', () => {
    expect(asTable([reading(0, 40), reading(0.05, 0.5, 'belt')])).toBe(
      't_s,sensor,value,unit\n0.000,cuff,40.000,mmHg\n0.050,belt,0.500,1\n',
    )
  })
  it('draws the last seconds of one sensor, the newest at the right', () => {
    const drawn = points([reading(0, 10), reading(30, 40), reading(40, 44), reading(40, 0.3, 'belt')], 'cuff', 200, 40).split(' ')
    expect(drawn.map((p) => Number(p.split(',')[0]))).toEqual([100, 200])
    expect(Number(drawn[1]!.split(',')[1])).toBeLessThan(Number(drawn[0]!.split(',')[1]))
  })
})

describe('what was found', () => {
  class Line {
    static last: Line
    onmessage?: (event: { data: string }) => void
    onopen?: () => void
    onclose?: () => void
    constructor() {
      Line.last = this
    }
    close = (): void => this.onclose?.()
    says = (...objects: object[]): void => objects.forEach((o) => this.onmessage?.({ data: JSON.stringify(o) }))
  }
  const found = (detected: string, t_s: number) => ({ detected, t_s, says: detected })
  const set = ref('0.0')
  const listening = () => {
    const sensors = used(() => useSensors(() => set.value))
    sensors.turn(true)
    Line.last.onopen?.()
    return sensors
  }
  beforeEach(() => {
    set.value = '0.0'
    vi.useFakeTimers()
    vi.stubGlobal('WebSocket', Line)
  })

  it('stays as it is until it is answered; the next comes after a breath', () => {
    const sensors = listening()
    Line.last.says(found('pelvis_rocks', 1), found('breath_held', 2), found('pelvis_rocks', 3), found('breath_held', 4))
    expect(sensors.found.value?.detected).toBe('pelvis_rocks')
    sensors.settled()
    expect(sensors.found.value).toBeUndefined()
    Line.last.says(found('low_back_arches', 5))
    expect(sensors.found.value).toBeUndefined()
    vi.advanceTimersByTime(1000)
    expect(sensors.found.value?.t_s).toBe(2)
    sensors.settled()
    vi.advanceTimersByTime(1000)
    expect(sensors.found.value?.detected).toBe('low_back_arches')
    sensors.settled()
    vi.advanceTimersByTime(1000)
    expect(sensors.found.value).toBeUndefined()
    Line.last.says(found('pelvis_rocks', 9))
    expect(sensors.found.value?.t_s).toBe(9)
  })
  it('is not offered any more when it has left the picture', () => {
    const sensors = listening()
    Line.last.says(found('pelvis_rocks', 1), found('breath_held', 2), reading(30, 40))
    sensors.settled()
    vi.advanceTimersByTime(1000)
    expect(sensors.found.value).toBeUndefined()
  })
  it('goes with its set, so that none is booked on the next; between sets there is none', async () => {
    const sensors = listening()
    Line.last.says(found('pelvis_rocks', 1), found('breath_held', 2))
    set.value = ''
    await nextTick()
    expect(sensors.found.value).toBeUndefined()
    Line.last.says(found('pelvis_rocks', 3))
    expect(sensors.found.value).toBeUndefined()
    set.value = '0.1'
    await nextTick()
    vi.advanceTimersByTime(1000)
    expect(sensors.found.value).toBeUndefined()
    Line.last.says(found('pelvis_rocks', 4))
    expect(sensors.found.value?.t_s).toBe(4)
  })
  it('goes when the sensors are switched off', () => {
    const sensors = listening()
    Line.last.says(found('pelvis_rocks', 1), found('breath_held', 2))
    sensors.turn(false)
    vi.advanceTimersByTime(1000)
    expect(sensors.found.value).toBeUndefined()
  })
  it.each([
    ['pelvis_rocks', 'Das Becken kippt.'],
    ['knee_falls_in', 'The knee falls in.'],
  ])('%s is said in the words of the sheet where it has some: %s', async (detected, says) => {
    const sensors = listening()
    Line.last.says({ detected, t_s: 1, says: 'The knee falls in.' })
    const page = await mounted(SensorPanel, {
      props: { sensors, sensed: [{ id: 'pelvis_rocks', says: 'Das Becken kippt.' }] },
    })
    expect(page.get('.found').text()).toContain(says)
  })
})
