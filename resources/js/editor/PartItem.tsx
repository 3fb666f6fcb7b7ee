import { memo, Suspense, useCallback, useMemo } from 'react'
import type { Finding, Part, QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { CardPlaceProvider } from '@/parts/PartCard'
import { Waiting } from '@/ui/Message'
import { ChangeKind } from './ChangeKind'
import { problemAt } from './problemAt'

/** What the page does for its parts; the same functions at every render. */
export type PartActs = {
  now: () => QuestionJson
  change: (edit: (now: QuestionJson) => QuestionJson, place?: string) => void
  set: (part: Part, place: string) => void
  remove: (id: string) => void
  putBack: (id: string) => void
}

type Props = {
  part: Part
  /** Among the parts as they are stored, by which findings name it. */
  index: number
  /** On the page, where there are several. */
  number: number | null
  name: string
  isOnly: boolean
  /** Whether the text has no place for it. */
  missing: boolean
  gaps: string[]
  values: QuestionJson['variables']
  /** The names of the values. */
  variables: string[]
  bank: string
  media: (id: string) => string
  findings: Finding[]
  acts: PartActs
}

/** A part on the page. What is typed elsewhere on it does not render it again. */
export const PartItem = memo(function PartItem({
  part,
  index,
  number,
  name,
  isOnly,
  missing,
  gaps,
  values,
  variables,
  bank,
  media,
  findings,
  acts,
}: Props) {
  const problem = useCallback((path: string) => problemAt(findings, `/parts/${index}${path}`), [findings, index])
  const place = useMemo(
    () => ({
      number,
      missing,
      putBack: () => acts.putBack(part.id),
      remove: () => acts.remove(part.id),
      variables,
      values,
      gaps,
      bank,
      change: (
        <ChangeKind now={acts.now} part={part} isOnly={isOnly} name={name} bank={bank} onChange={(next) => acts.change(() => next)} />
      ),
    }),
    [number, missing, acts, part, variables, values, gaps, bank, isOnly, name],
  )
  const View = partView(part.kind)?.Editor
  if (!View) return null
  return (
    <CardPlaceProvider value={place}>
      <Suspense fallback={<Waiting text={texts.loading} />}>
        <div data-place={`part ${part.id}`} className="contents">
          <View part={part} onChange={acts.set} media={media} problem={problem} />
        </div>
      </Suspense>
    </CardPlaceProvider>
  )
})
