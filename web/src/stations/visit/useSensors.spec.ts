import { describe, expect, it } from 'vitest'
import { asTable, isFound, isReading, points } from './useSensors'

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
