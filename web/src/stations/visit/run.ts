/** Running a session: a state that every tap replaces, so that each is undone and each is kept. Nothing here knows a screen. */
import type { MovementDone, RunMovement, Rung, SetDone, Sheet, Symptom, Visit } from '../../api/schemas'
import { dayOf } from '../../offline/here'

export type Side = SetDone['side']
export type Ended = SetDone['ended_by']
export type Meaning = 'unaware' | 'tired'
export type Compared = NonNullable<MovementDone['compared']>
export type Skipped = NonNullable<MovementDone['skipped']>

/** One set that is to be done: of which side, and how many clean repetitions. */
export interface Planned {
  side: Side
  target: number
  hold_s: number
}
/** One movement as it is being done: its plan, what is done of it, and what was said about it. */
export interface MovementRun {
  /** Which movement of the sheet it is, and the other step that is done in its place, where one is. */
  of: number
  rung: string
  plan: Planned[]
  done: SetDone[]
  cues: { cue: number; worked: boolean }[]
  compared?: Compared
  symptoms: Symptom[]
  effort?: number
  confidence?: number
  felt: NonNullable<MovementDone['felt']>
  skipped?: Skipped
}
/** The set under way. */
export interface Now {
  clean: number
  withFaults: number
  discarded: number
  held_s: number
  faults: { fault: string; repetition: number; meaning: Meaning | null }[]
}
export type Phase = 'before' | 'setup' | 'set' | 'rest' | 'compare' | 'after' | 'stopped' | 'finished'
export interface Before {
  pain?: number
  where?: Symptom['where']
  slept?: 'well' | 'badly'
  strength?: number
}
export interface Run {
  id: string
  on: string
  began: string
  session: string
  context: 'visit' | 'home'
  by: Visit['by']
  phase: Phase
  before: Before
  at: number
  now: Now
  movements: MovementRun[]
  effort?: number
  startedMs: number
  endedMs?: number
}

const nothing = (): Now => ({ clean: 0, withFaults: 0, discarded: 0, held_s: 0, faults: [] })

/** Round by round, each side in its order: one side is rested while the other works. */
export function planned(sides: { side: string; repetitions: number; sets: number; hold_s: number }[]): Planned[] {
  const rounds = Math.max(...sides.map((s) => s.sets))
  return Array.from({ length: rounds }, (_, round) =>
    sides.filter((s) => round < s.sets).map((s) => ({ side: s.side as Side, target: s.repetitions, hold_s: s.hold_s })),
  ).flat()
}

function fresh(m: RunMovement, of: number): MovementRun {
  return { of, rung: '', plan: planned(m.sides), done: [], cues: [], symptoms: [], felt: [] }
}

export function begin(sheet: Sheet, id: string, now: Date, by: Visit['by']): Run {
  return {
    id,
    on: dayOf(now),
    began: now.toTimeString().slice(0, 8),
    session: sheet.session,
    context: sheet.context,
    by,
    phase: 'before',
    before: {},
    at: 0,
    now: nothing(),
    movements: sheet.movements.map(fresh),
    startedMs: now.getTime(),
  }
}

export const current = (run: Run): MovementRun => run.movements[run.at]!
export const currentSet = (run: Run): Planned | undefined => current(run)?.plan[current(run).done.length]
export const repetition = (now: Now): number => now.clean + now.withFaults + 1

function withCurrent(run: Run, change: Partial<MovementRun>): Run {
  return { ...run, movements: run.movements.map((m, i) => (i === run.at ? { ...m, ...change } : m)) }
}
const counting = (run: Run, change: Partial<Now>): Run => ({ ...run, now: { ...run.now, ...change } })

/** One clean repetition; the last one of its target ends the set. */
export function clean(run: Run, held_s = 0): Run {
  const set = currentSet(run)
  if (run.phase !== 'set' || !set) return run
  const next = counting(run, { clean: run.now.clean + 1, held_s: Math.max(run.now.held_s, held_s) })
  return next.now.clean >= set.target ? endSet(next, 'target') : next
}

/** One repetition that was not clean; its fault may be named in the same breath, or in the next tap. */
export function notClean(run: Run, fault?: string, meaning: Meaning | null = null): Run {
  if (run.phase !== 'set' || !currentSet(run)) return run
  const at = repetition(run.now)
  const seen = fault ? [...run.now.faults, { fault, repetition: at, meaning }] : run.now.faults
  const next = counting(run, { withFaults: run.now.withFaults + 1, faults: seen })
  return meaning === 'tired' ? endSet(next, 'form') : next
}

/** Names the fault of the repetition before: unaware is cued and goes on, tired ends the set. */
export function nameFault(run: Run, fault: string, meaning: Meaning): Run {
  const at = Math.max(1, repetition(run.now) - 1)
  const next = counting(run, { faults: [...run.now.faults, { fault, repetition: at, meaning }] })
  return meaning === 'tired' ? endSet(next, 'form') : next
}

/** It began before the breath: the repetition counts for nothing. */
export function discard(run: Run): Run {
  return run.phase === 'set' ? counting(run, { discarded: run.now.discarded + 1 }) : run
}

/** The set is over; the next one rests first, a pair of sides is compared, and then the next movement is set up. */
export function endSet(run: Run, by: Ended): Run {
  const set = currentSet(run)
  if (!set) return run
  const own = current(run)
  const one: SetDone = {
    side: set.side,
    target: set.target,
    clean: run.now.clean,
    with_faults: run.now.withFaults,
    discarded: run.now.discarded,
    held_s: set.hold_s && run.now.clean ? run.now.held_s : null,
    ended_by: by,
    faults: run.now.faults,
  }
  const next = { ...withCurrent(run, { done: [...own.done, one] }), now: nothing() }
  if (by === 'symptom') return onward(next)
  if (currentSet(next)) return { ...next, phase: 'rest' }
  return hasBothSides(current(next)) ? { ...next, phase: 'compare' } : onward(next)
}

export const hasBothSides = (m: MovementRun): boolean => ['left', 'right'].every((side) => m.done.some((s) => s.side === side))
export const rested = (run: Run): Run => (run.phase === 'rest' ? { ...run, phase: 'set' } : run)
export const start = (run: Run): Run => ({ ...run, phase: run.at < run.movements.length ? 'setup' : 'after' })
export const ready = (run: Run): Run => (run.phase === 'setup' ? { ...run, phase: 'set' } : run)

/** On to the next movement that is neither done nor left out. */
export function onward(run: Run): Run {
  const next = run.movements.findIndex((m, i) => i > run.at && !m.skipped)
  return { ...run, now: nothing(), at: next < 0 ? run.at : next, phase: next < 0 ? 'after' : 'setup' }
}

export function compare(run: Run, compared: Compared): Run {
  return onward(withCurrent(run, { compared }))
}
export type Told = Pick<MovementRun, 'effort' | 'confidence' | 'felt'>
export const tell = (run: Run, of: number, told: Told): Run => ({
  ...run,
  movements: run.movements.map((m, i) => (i === of ? { ...m, ...told } : m)),
})

/** A cue was tried: whether it worked is known at once. */
export function cued(run: Run, cue: number, worked: boolean): Run {
  const others = current(run).cues.filter((c) => c.cue !== cue)
  return withCurrent(run, { cues: [...others, { cue, worked }] })
}

export function skip(run: Run, why: Skipped): Run {
  const own = current(run)
  return onward(own.done.length ? run : withCurrent(run, { skipped: why }))
}

/** Pain that rises as far as the sheet says, and everything that is no pain in its place, ends the movement by rule. */
export const stops = (s: Symptom, sheet: Sheet): boolean =>
  s.what !== 'pain' || Boolean(s.spreading) || s.rise_0_to_10 >= sheet.stops_at_rise

export function felt(sheet: Sheet, run: Run, symptom: Symptom): Run {
  const own = current(run)
  const next = withCurrent(run, { symptoms: [...own.symptoms, symptom] })
  if (!stops(symptom, sheet)) return next
  if (run.phase === 'set' && currentSet(next)) return endSet(next, 'symptom')
  return own.done.length
    ? onward(next)
    : onward({ ...next, movements: next.movements.map((m, i) => (i === run.at ? { ...m, skipped: 'symptom' } : m)) })
}

/** Goes on with another step; what was done of the one before stays logged under its own name. */
export function changeRung(run: Run, rung: Rung): Run {
  const own = current(run)
  const kept = own.done.length || run.now.clean || run.now.withFaults
  const before = kept && currentSet(run) && (run.now.clean || run.now.withFaults) ? stopped(run, 'person') : run
  const sets = Math.max(1, own.plan.length - own.done.length)
  const sides = rung.sides.map((side) => ({
    side,
    repetitions: rung.repetitions,
    sets: Math.max(1, Math.ceil(sets / rung.sides.length)),
    hold_s: rung.hold_s,
  }))
  const other: MovementRun = { of: own.of, rung: rung.ref, plan: planned(sides), done: [], cues: [], symptoms: [], felt: [] }
  const done = kept ? [before.movements[run.at]!] : []
  const movements = [...run.movements.slice(0, run.at), ...done, other, ...run.movements.slice(run.at + 1)]
  return { ...before, movements, at: run.at + done.length, now: nothing(), phase: 'setup' }
}

/** The set under way put down as it is. */
function stopped(run: Run, by: Ended): Run {
  const next = endSet(run, by)
  return { ...next, at: run.at, phase: run.phase }
}

export const hasEnded = (run: Run): boolean => run.phase === 'finished' || run.phase === 'stopped'
/** A stop sign, or the end of the time: what was done stays done. */
export function stopAll(run: Run, nowMs: number): Run {
  const begun = run.phase === 'set' && (run.now.clean || run.now.withFaults) ? stopped(run, 'person') : run
  return { ...begun, phase: 'stopped', endedMs: nowMs }
}
export const finish = (run: Run, nowMs: number): Run => ({ ...run, phase: 'finished', endedMs: nowMs })

/** What is left out when so many minutes are left: in the order that the sheet says; what is begun stays. */
export function leftOut(sheet: Sheet, run: Run, minutesLeft: number): number[] {
  const ahead = run.movements
    .map((m, i) => ({ i, m: sheet.movements[m.of]!, done: m.done.length > 0 || m.skipped }))
    .filter((x) => x.i > run.at && !x.done)
  let needed = ahead.reduce((sum, x) => sum + x.m.minutes, 0) + remainingMinutes(sheet, run)
  const out: number[] = []
  for (const x of [...ahead].sort((a, b) => a.m.leaves_as - b.m.leaves_as)) {
    if (needed <= minutesLeft) break
    out.push(x.i)
    needed -= x.m.minutes
  }
  return out.sort((a, b) => a - b)
}

/** Of the movement under way: its share of sets that are not done. */
export function remainingMinutes(sheet: Sheet, run: Run): number {
  const own = current(run)
  if (!own) return 0
  const share = own.plan.length ? 1 - own.done.length / own.plan.length : 0
  return sheet.movements[own.of]!.minutes * share
}

export const refOf = (sheet: Sheet, m: MovementRun): string => m.rung || sheet.movements[m.of]!.ref
/** The other step that is done in place of a movement; none while it is itself. */
export const rungOf = (movement: RunMovement, m: MovementRun): Rung | undefined =>
  [movement.easier, movement.harder, ...movement.instead].find((r) => r?.ref === m.rung) ?? undefined

/** The visit as the core reads it. */
export function asVisit(sheet: Sheet, run: Run): Visit {
  const minutes = run.endedMs ? Math.round((run.endedMs - run.startedMs) / 6000) / 10 : null
  return {
    id: run.id,
    on: run.on,
    began: run.began,
    context: run.context,
    by: run.by,
    session: run.session as Visit['session'],
    minutes: minutes === null ? null : Math.min(240, minutes),
    pain_before_0_to_10: run.before.pain ?? null,
    pain_where: run.before.where ?? null,
    slept: run.before.slept ?? null,
    strength_left_0_to_10: run.before.strength ?? null,
    effort_0_to_10: run.effort ?? null,
    movements: run.movements.filter((m) => m.done.length || m.skipped).map((m) => asDone(sheet, m)),
  }
}

function asDone(sheet: Sheet, m: MovementRun): MovementDone {
  return {
    step: refOf(sheet, m),
    sets: m.done,
    cues: m.cues,
    compared: m.compared ?? null,
    symptoms: m.symptoms,
    effort_0_to_10: m.effort ?? null,
    confidence_0_to_10: m.confidence ?? null,
    felt: m.felt,
    skipped: m.done.length ? null : (m.skipped ?? null),
  }
}

/** A run with its taps, the newest of which may be taken back. */
export function undoable(first: Run, most = 60) {
  const before: Run[] = []
  return {
    run: first,
    tap(change: (run: Run) => Run): void {
      const next = change(this.run)
      if (next === this.run) return
      before.push(this.run)
      if (before.length > most) before.shift()
      this.run = next
    },
    undo(): void {
      this.run = before.pop() ?? this.run
    },
    get canUndo(): boolean {
      return before.length > 0
    },
  }
}
