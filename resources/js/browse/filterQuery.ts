export const dimensions = [
  'kind',
  'status',
  'difficulty',
  'topic',
  'standard',
  'assesses',
  'covers',
  'framework',
  'unmatched',
  'folder',
  'place',
  'titled',
  'tag',
  'author',
  'stimulus',
  'medium',
  'level',
  'purpose',
  'licence',
  'language',
  'source',
  'work',
  'has',
  'marks',
  'by',
  'editor',
  'bank',
  'no',
  'is',
] as const
export type Dimension = (typeof dimensions)[number]
/** Amounts and days, from..to. */
export const ranges = ['points', 'minutes', 'marker_minutes', 'created', 'changed', 'used', 'not_used'] as const
export type Range = (typeof ranges)[number]
/** Those that are days. */
export const days: Range[] = ['created', 'changed', 'used', 'not_used']

export const conditions = [...dimensions, ...dimensions.map((name) => `not-${name}`), ...ranges]

/** The conditions in an address, as the API takes them; two equal filters read equally. */
export function filterQuery(address: URLSearchParams): string {
  const query = new URLSearchParams()
  for (const name of ['words', ...conditions, 'sort']) for (const value of address.getAll(name)) if (value !== '') query.append(name, value)
  return query.toString()
}

/** The conditions of a filter by name, without its order: as a draw has them. */
export function conditionsOf(query: string): Record<string, string[]> {
  const found: Record<string, string[]> = {}
  for (const [name, value] of new URLSearchParams(query))
    if (name !== 'sort' && name !== 'bank') found[name] = [...(found[name] ?? []), value]
  return found
}

/** And as a filter again. */
export const queryOf = (conditions: Record<string, string[]>): string =>
  new URLSearchParams(
    Object.entries(conditions).flatMap(([name, values]) => values.map((value): [string, string] => [name, value])),
  ).toString()
