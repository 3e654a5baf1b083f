// How a figure of the rule-book is written: the degree sign close to it, a level before it, any other unit after it.
const LEVELS = ['level', 'rise', 'stance']

export function shown(n: { value: number | null; unit: string }): string {
  if (n.value === null) return ''
  if (n.unit === 'deg') return `${n.value}°`
  return LEVELS.includes(n.unit) ? `${n.unit} ${n.value}` : `${n.value}\u00a0${n.unit}`.trim()
}
