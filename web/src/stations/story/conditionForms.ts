import type { ConditionForm } from '../../api/schemas'

/** A condition with its first answers; the forms come from the core. */
export function begun(form: ConditionForm, today: string): Record<string, unknown> {
  const out: Record<string, unknown> = { kind: form.kind, noted_on: today }
  for (const ask of form.asks) {
    if (ask.kind === 'date' && !ask.optional) out[ask.name] = today
    else if (ask.first !== null && ask.first !== undefined) out[ask.name] = ask.first
  }
  return out
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
