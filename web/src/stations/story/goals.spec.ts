import { describe, expect, it } from 'vitest'
import { ownTask, taskOf, withTask } from './goals'
import type { Goal } from './goals'

const plain: Goal = { words: 'ring the bells', task: null, asks: [] }

describe('the task of a goal', () => {
  it('is nothing until one is chosen', () => {
    expect(taskOf(plain)).toBe('')
  })
  it('takes the place of what was mapped by hand', () => {
    const mapped: Goal = { ...plain, asks: ['upper_back'] }
    expect(taskOf(mapped)).toBe(ownTask)
    expect(withTask(mapped, 'bed')).toEqual({ words: 'ring the bells', task: 'bed', asks: [] })
  })
  it('may be one of one’s own, before anything is mapped', () => {
    const own = withTask({ ...plain, task: 'bed' }, ownTask)
    expect(own.task).toBeNull()
    expect(taskOf(own)).toBe(ownTask)
    expect(taskOf(plain)).toBe('')
  })
})
