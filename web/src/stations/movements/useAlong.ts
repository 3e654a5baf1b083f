import type { Parameter, Stop } from '../../api/types'

/** How many judged stops are asked at once: enough to be solved together, few enough that the nearest are there soon. */
export const CHUNK = 5
/** Before anything is judged, this many poses spread over the slider: then something close by is known wherever the hand goes. */
export const SPREAD = 10

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

export interface Slider { parameter: Parameter; now: number }
interface Track { key: string; poses: Map<number, Stop>; judged: Map<number, Stop> }

/**
 * Along the sliders: what their stops would show, asked ahead of the hand.  First a spread of poses for every slider,
 * not yet judged (`quick`), then every stop with its verdict, nearest first.
 * What was asked holds as long as everything else (`keyOf` its measure) stands as it stood then.
 */
export function useAlong(ask: (parameter: string, at: number[], quick: boolean) => Promise<Stop[]>, keyOf: (parameter: string) => string, came: () => void = () => undefined) {
  const tracks = new Map<string, Track>()
  let wanted: Slider[] = []
  let busy = false

  function track(parameter: string): Track {
    const key = keyOf(parameter)
    const known = tracks.get(parameter)
    if (known?.key === key) return known
    const fresh = { key, poses: new Map<number, Stop>(), judged: new Map<number, Stop>() }
    tracks.set(parameter, fresh)
    return fresh
  }
  function next(): { parameter: string; at: number[]; quick: boolean } | undefined {
    const bare = wanted.find(({ parameter }) => !track(parameter.id).poses.size)
    if (bare) return { parameter: bare.parameter.id, at: spreadOf(bare.parameter), quick: true }
    for (const { parameter, now } of wanted) {
      const { judged } = track(parameter.id)
      const missing = stopsOf(parameter).filter((v) => !judged.has(v)).sort((a, b) => Math.abs(a - now) - Math.abs(b - now) || a - b)
      if (missing.length) return { parameter: parameter.id, at: missing.slice(0, CHUNK), quick: false }
    }
    return undefined
  }
  /** Ask for what is missing on these sliders, in this order; one request at a time, and a later call changes the order. */
  async function prepare(sliders: Slider[]): Promise<void> {
    wanted = sliders
    if (busy) return
    busy = true
    try {
      for (let todo = next(); todo; todo = next()) {
        const { poses, judged } = track(todo.parameter)
        const found = await ask(todo.parameter, todo.at, todo.quick)
        if (!found.length) return
        for (const stop of found) (todo.quick ? poses : judged).set(stop.value, stop)
        came()
      }
    } catch {
      // The slider still asks for the pose it shows, and says what is wrong.
    } finally {
      busy = false
    }
  }
  /** The judged stop at this very value. */
  const at = (parameter: string, value: number): Stop | undefined => track(parameter).judged.get(Number(value.toFixed(6)))
  /** The known pose that is closest, however it is known. */
  function near(parameter: string, value: number): Stop | undefined {
    const { poses, judged } = track(parameter)
    return [...judged.values(), ...poses.values()].sort((a, b) => Math.abs(a.value - value) - Math.abs(b.value - value))[0]
  }
  return { prepare, at, near }
}
