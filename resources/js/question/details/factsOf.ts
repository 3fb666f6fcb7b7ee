import type { WholeQuestion } from '@/api/queries'
import type { Facts } from './DetailCaptions'

/** What the record of a whole question says. */
export function factsOf({ question, standards, folders }: WholeQuestion): Facts {
  const record = question.record ?? {}
  return {
    standards: standards.filter((one) => !one.touches).map((one) => one.code),
    difficulty: record.difficulty ?? null,
    places: [...folders, ...(record.topics ?? [])].map((path) => path.join(' › ')),
    source: record.source ?? '',
    status: record.status ?? 'draft',
  }
}
