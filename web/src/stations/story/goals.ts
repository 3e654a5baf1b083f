import type { CaseData } from '../../api/schemas'

export type Goal = CaseData['wishes']['goals'][number]

/** The choice that says: a task that is not in the list, mapped by hand. */
export const ownTask = 'own'

const opened = new WeakSet<Goal>()

/** What the list of tasks shows for a goal: a task, one's own, or nothing yet. */
export function taskOf(goal: Goal): string {
  return goal.task ?? (goal.asks.length || opened.has(goal) ? ownTask : '')
}

/** The same goal with another task; a task of the list says itself what it asks. */
export function withTask(goal: Goal, task: string): Goal {
  if (task !== ownTask) return { ...goal, task: task as Goal['task'], asks: [] }
  const own = { ...goal, task: null }
  opened.add(own)
  return own
}
