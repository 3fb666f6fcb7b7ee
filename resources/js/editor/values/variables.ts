import type { Variable, Variables } from '@/api/values'

export type Kind = Variable['kind']

/** Names that have a value: the columns of a row, not the row itself. */
export const namesOf = (variable: Variable): string[] => (variable.kind === 'row' ? (variable.columns ?? []) : [variable.name])

export const allNames = (variables: Variables | null | undefined): string[] => (variables?.list ?? []).flatMap(namesOf)

/** The first letter that no value is called; some look like digits or mean something. */
export function freeName(variables: Variables | null | undefined): string {
  const taken = new Set([...allNames(variables), ...(variables?.list ?? []).map((one) => one.name)])
  const letters = [...'abcdfghjkmnpqrstuvwxyz']
  const numbered = letters.flatMap((letter) => [2, 3, 4, 5, 6].map((n) => `${letter}${n}`))
  return [...letters, ...numbered].find((name) => !taken.has(name)) ?? 'value'
}

const fresh: Record<Kind, Partial<Variable>> = {
  integer: { from: '1', to: '10', step: '1' },
  decimal: { from: '0.5', to: '9.5', step: '0.5' },
  list: { items: [] },
  row: { columns: [], rows: [] },
  sample: { items: [], count: 2 },
  expr: { expr: '' },
}

/** A value of a kind; what it had before is kept where the kind has it too. */
export function asKind(variable: Variable, kind: Kind, columns: () => string[]): Variable {
  const { name, show, stream } = variable
  const had = Object.fromEntries(Object.entries(variable).filter(([field]) => field in fresh[kind]))
  const made = { ...fresh[kind], ...had } as Variable
  if (kind === 'row' && !made.columns?.length) Object.assign(made, { columns: columns(), rows: [['', '']] })
  if (kind === 'integer' && !/^-?\d+$/.test(`${made.from}`)) Object.assign(made, fresh.integer)
  return { ...made, name, kind, ...(show ? { show } : {}), ...(stream ? { stream } : {}) }
}

/** A condition that compares one value, as a sentence; null for any other, which is a formula. */
export function asSentence(condition: string): { name: string; relation: string; other: string } | null {
  const whole = /^([A-Za-z]\w*) = round\(\1\)$/.exec(condition)
  if (whole?.[1]) return { name: whole[1], relation: 'whole', other: '' }
  const found = /^([A-Za-z]\w*) (!=|=|<=|<|>=|>) ((?:(?!\b(?:and|or|not|in)\b|[<>=!]).)*)$/.exec(condition)
  return found ? { name: found[1] ?? '', relation: found[2] ?? '', other: found[3] ?? '' } : null
}

export const fromSentence = ({ name, relation, other }: { name: string; relation: string; other: string }): string =>
  relation === 'whole' ? `${name} = round(${name})` : `${name} ${relation} ${other}`
