import { computed, onScopeDispose, ref, shallowRef, triggerRef, watch } from 'vue'

/** Sensors beside the mat, as a small process on this machine offers them (docs/sensors.md); what is found is only proposed. */
export const KINDS = ['cuff', 'belt', 'tilt'] as const
export type Kind = (typeof KINDS)[number]
export interface Reading {
  sensor: Kind
  t_s: number
  value: number
  unit: string
}
export interface Found {
  detected: string
  t_s: number
  says: string
}
const SHOWN_S = 20
/** Between two findings, so that a second tap does not answer what was not read. */
const BREATHER_MS = 800
const MOST = 200_000 // of one session: an hour of three sensors
const AGAIN_MS = 3000
export const ADDRESS = 'ws://127.0.0.1:8331'

export function isReading(data: unknown): data is Reading {
  const r = data as Reading
  return KINDS.includes(r?.sensor) && Number.isFinite(r.t_s) && Number.isFinite(r.value) && typeof r.unit === 'string'
}
export function isFound(data: unknown): data is Found {
  const f = data as Found
  return typeof f?.detected === 'string' && Number.isFinite(f.t_s) && typeof f.says === 'string'
}

/** The table of docs/sensors.md. */
export const asTable = (readings: readonly Reading[]): string =>
  ['t_s,sensor,value,unit', ...readings.map((r) => `${r.t_s.toFixed(3)},${r.sensor},${r.value.toFixed(3)},${r.unit}`)].join('\n') + '\n'

/** The last seconds of one sensor as points of a picture of this size; its own range, so that small things are seen. */
export function points(readings: readonly Reading[], kind: Kind, width: number, height: number): string {
  const own = readings.filter((r) => r.sensor === kind)
  const last = own.at(-1)?.t_s ?? 0
  const shown = own.filter((r) => last - r.t_s <= SHOWN_S)
  const values = shown.map((r) => r.value)
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const span = Math.max(high - low, kind === 'cuff' ? 8 : kind === 'tilt' ? 4 : 0.2)
  const y = (v: number): number => height - 4 - ((v - low) / span) * (height - 8)
  return shown.map((r) => `${(width * (1 - (last - r.t_s) / SHOWN_S)).toFixed(1)},${y(r.value).toFixed(1)}`).join(' ')
}

/** `set` names the set that is under way, '' where there is none: what is found belongs to it, and goes with it. */
export function useSensors(set: () => string) {
  const on = ref(false)
  const connected = ref(false)
  const readings = shallowRef<Reading[]>([])
  const found = shallowRef<Found>()
  let waiting: Found[] = []
  let breather: ReturnType<typeof setTimeout> | undefined
  let socket: WebSocket | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  let drawn = 0

  function connect(): void {
    socket = new WebSocket(ADDRESS)
    socket.onopen = () => {
      connected.value = true
      readings.value = []
      forget()
    }
    socket.onmessage = ({ data }) => take(String(data))
    socket.onclose = () => {
      connected.value = false
      if (on.value) again = setTimeout(connect, AGAIN_MS)
    }
  }
  function take(line: string): void {
    let data: unknown
    try {
      data = JSON.parse(line)
    } catch {
      return
    }
    if (isReading(data)) {
      readings.value.push(data)
      if (readings.value.length > MOST) readings.value.splice(0, MOST / 10)
      // Ten pictures a second are enough for an eye.
      if (performance.now() - drawn > 100) {
        drawn = performance.now()
        triggerRef(readings)
      }
    } else if (isFound(data)) propose(data)
  }
  /** What is shown stays under the finger until it is answered; the same again says nothing new. */
  function propose(one: Found): void {
    if (!set() || found.value?.detected === one.detected || waiting.some((w) => w.detected === one.detected)) return
    if (found.value || breather) waiting.push(one)
    else found.value = one
  }
  function settled(): void {
    found.value = undefined
    clearTimeout(breather)
    breather = setTimeout(() => {
      breather = undefined
      const now_s = readings.value.at(-1)?.t_s ?? 0
      waiting = waiting.filter((w) => now_s - w.t_s <= SHOWN_S) // older ones have left the picture
      found.value = waiting.shift()
    }, BREATHER_MS)
  }
  function forget(): void {
    clearTimeout(breather)
    breather = undefined
    waiting = []
    found.value = undefined
  }
  function turn(to: boolean): void {
    on.value = to
    clearTimeout(again)
    socket?.close()
    forget()
    if (to) connect()
  }
  function save(): void {
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([asTable(readings.value)], { type: 'text/csv' }))
    link.download = 'trace.csv'
    link.click()
    URL.revokeObjectURL(link.href)
  }
  watch(set, forget)
  onScopeDispose(() => turn(false))
  const latest = computed(() => {
    const found: Partial<Record<Kind, Reading>> = {}
    for (let i = readings.value.length - 1; i >= 0 && Object.keys(found).length < KINDS.length; i--) {
      const one = readings.value[i]!
      found[one.sensor] ??= one
    }
    return found
  })
  return { on, connected, readings, latest, found, turn, save, settled }
}
