import type { ReactNode } from 'react'
import { texts } from '@/messages'
import type { Facts } from './DetailCaptions'
import { type Detail, useDetails } from './useDetails'

/** The chosen details of the record, below a question that is read. */
export function QuestionDetails({ facts }: { facts: Facts }) {
  const { has } = useDetails()
  const rows: [Detail, ReactNode][] = [
    ['standards', facts.standards.join(', ')],
    ['difficulty', facts.difficulty === null ? '' : texts.details.level({ n: facts.difficulty })],
    ['place', facts.places.length > 0 ? facts.places.map((place) => <div key={place}>{place}</div>) : ''],
    ['source', facts.source],
    ['state', facts.status ? texts.status[facts.status] : ''],
  ]
  const chosen = rows.filter(([detail, said]) => has(detail) && said !== '')
  if (chosen.length === 0) return null
  return (
    <dl className="mt-4 grid grid-cols-[max-content_1fr] gap-x-4 gap-y-1 border-hairline border-t pt-3 text-caption">
      {chosen.map(([detail, said]) => (
        <div key={detail} className="contents">
          <dt className="text-second">{texts.details.names[detail]}</dt>
          <dd>{said}</dd>
        </div>
      ))}
    </dl>
  )
}
