import type { ConditionForm } from '../../api/schemas'

/** A condition with nothing answered but what counts where nothing is said; the forms come from the core. */
export function begun(form: ConditionForm, today: string): Record<string, unknown> {
  const out: Record<string, unknown> = { kind: form.kind, noted_on: today }
  for (const ask of form.asks) if (ask.first !== null && ask.first !== undefined) out[ask.name] = ask.first
  return out
}

/** What has to be told and is not yet. */
export function unanswered(form: ConditionForm, told: Record<string, unknown>): string[] {
  return form.asks.filter((a) => !a.optional && (told[a.name] === undefined || told[a.name] === '')).map((a) => a.title)
}

/** Forms by group, those that match what was typed; groups keep the core's order. */
export function grouped(forms: ConditionForm[], typed: string): [string, ConditionForm[]][] {
  const wanted = typed.trim().toLowerCase()
  const groups = new Map<string, ConditionForm[]>()
  for (const f of forms) {
    if (wanted && !`${f.title} ${f.group} ${f.about}`.toLowerCase().includes(wanted)) continue
    groups.set(f.group, [...(groups.get(f.group) ?? []), f])
  }
  return [...groups]
}
