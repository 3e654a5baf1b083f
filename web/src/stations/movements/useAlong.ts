import { tryOnScopeDispose } from '@vueuse/core'
import type { Parameter, Stop } from '../../api/schemas'

/** How many judged stops are asked at once: enough to be solved together, few enough that the nearest are there soon. */
export const CHUNK = 5
/** So many poses spread over the slider come first, so that something close by is known wherever the hand goes; the others follow. */
export const SPREAD = 6

/** How long a slider pauses before what lies along the others is asked. */
export const PAUSE_MS = 90

/** Every value that the slider of this measure can take. */
export function stopsOf(p: Parameter): number[] {
  const count = Math.round((p.high - p.low) / p.grid)
  return Array.from({ length: count + 1 }, (_, i) => Number((p.low + i * p.grid).toFixed(6)))
}

/** At most SPREAD + 1 of them, evenly, both ends among them. */
export function spreadOf(p: Parameter): number[] {
  const all = stopsOf(p)
  const most = Math.min(SPREAD, all.length - 1)
  return most < 1 ? all : Array.from({ length: most + 1 }, (_, i) => all[Math.round((i * (all.length - 1)) / most)])
}

export interface Slider {
  parameter: Parameter
  now: number
}
interface Track {
  key: string
  poses: Map<number, Stop>
  judged: Map<number, Stop>
}
interface Todo {
  parameter: string
  at: number[]
}

/**
 * Along the sliders: what their stops would show, asked ahead of the hand.  Poses and verdicts are asked side by side,
 * one request of each kind at a time: first a spread of poses for every slider, then every pose, nearest first; and
 * every stop with its verdict.  What was asked holds as long as everything else (`keyOf` its measure) stands as it stood.
 */
export function useAlong(
  ask: (parameter: string, at: number[], quick: boolean) => Promise<Stop[]>,
  keyOf: (parameter: string) => string,
  came: () => void = () => undefined,
) {
  const tracks = new Map<string, Track>()
  const busy = new Set<'poses' | 'judged'>()
  let wanted: Slider[] = []
  let moving = false

  function track(parameter: string): Track {
    const key = keyOf(parameter)
    const known = tracks.get(parameter)
    if (known?.key === key) return known
    const fresh = { key, poses: new Map<number, Stop>(), judged: new Map<number, Stop>() }
    tracks.set(parameter, fresh)
    return fresh
  }
  /** The nearest stops of the first slider that lacks any; where the slider stands comes alone, for somebody looks at it. */
  function lacking(known: (t: Track, value: number) => boolean): Todo | undefined {
    for (const { parameter, now } of wanted) {
      const mine = track(parameter.id)
      const missing = stopsOf(parameter)
        .filter((v) => !known(mine, v))
        .sort((a, b) => Math.abs(a - now) - Math.abs(b - now) || a - b)
      if (missing.length) return { parameter: parameter.id, at: missing.slice(0, moving || missing[0] === now ? 1 : CHUNK) }
    }
    return undefined
  }
  function nextPoses(): Todo | undefined {
    const bare = wanted.find(({ parameter }) => !track(parameter.id).poses.size)
    if (bare) return { parameter: bare.parameter.id, at: spreadOf(bare.parameter) }
    return lacking((t, v) => t.poses.has(v) || t.judged.has(v))
  }
  const nextJudged = (): Todo | undefined => lacking((t, v) => t.judged.has(v))

  async function fill(kind: 'poses' | 'judged', next: () => Todo | undefined): Promise<void> {
    if (busy.has(kind)) return
    busy.add(kind)
    try {
      for (let todo = next(); todo; todo = next()) {
        const into = track(todo.parameter)[kind]
        const found = await ask(todo.parameter, todo.at, kind === 'poses')
        if (!found.length) return
        for (const stop of found) into.set(stop.value, stop)
        came()
      }
    } catch {
      // The slider still asks for the pose it shows, and says what is wrong.
    } finally {
      busy.delete(kind)
    }
  }
  /**
   * Ask for what is missing on these sliders, in this order; a later call changes the order.  Under a moving hand stops
   * are asked one by one: the next one is always where the hand is by then.
   */
  async function prepare(sliders: Slider[], underHand = false): Promise<void> {
    wanted = sliders
    moving = underHand
    await Promise.all([fill('poses', nextPoses), fill('judged', nextJudged)])
  }
  // Nobody is asked any more for a page that has been closed.
  tryOnScopeDispose(() => {
    wanted = []
  })
  /** The judged stop at this very value. */
  const at = (parameter: string, value: number): Stop | undefined => track(parameter).judged.get(Number(value.toFixed(6)))
  /** The known pose that is closest, however it is known. */
  function near(parameter: string, value: number): Stop | undefined {
    const { poses, judged } = track(parameter)
    return [...judged.values(), ...poses.values()].sort((a, b) => Math.abs(a.value - value) - Math.abs(b.value - value))[0]
  }
  return { prepare, at, near }
}
