import type { QuestionJson } from '@/api/question'

type RecordJson = NonNullable<QuestionJson['record']>

/** The value that stands most often, and in half of them at least. */
function usual<T>(given: T[][], key: (value: T) => string, of: number): T | undefined {
  const counts = new Map<string, { value: T; n: number }>()
  for (const values of given)
    for (const value of values) {
      const known = counts.get(key(value)) ?? { value, n: 0 }
      counts.set(key(value), { ...known, n: known.n + 1 })
    }
  const [first] = [...counts.values()].sort((a, b) => b.n - a.n)
  return first && first.n * 2 >= of ? first.value : undefined
}

/** What most of some questions are about. */
export function classificationOf(records: RecordJson[]) {
  const n = records.length
  return {
    topic: usual(
      records.map((one) => one.topics ?? []),
      (path) => path.join('\n'),
      n,
    ),
    standard: usual(
      records.map((one) => (one.standards ?? []).flatMap(({ statement }) => (statement ? [statement] : []))),
      (id) => id,
      n,
    ),
    difficulty: usual(
      records.map((one) => (one.difficulty ? [one.difficulty] : [])),
      String,
      n,
    ),
  }
}
