import type { Corrections, Stretch, Understood } from '@/api/documents'
import { texts } from '@/messages'
import { lookOf } from './corrections'
import { edgeOf } from './Marker'
import { TypedLine } from './TypedLine'
import { UnderstoodCard } from './UnderstoodCard'
import type { Correct } from './useCorrections'

const words = texts.document

type Props = {
  intake: string
  stretch: Stretch
  question: Understood | undefined
  index: number
  canJoin: boolean
  corrections: Corrections
  correct: Correct
}

/** A stretch of the document on the left, and what was made of it on the right. */
export function StretchRow({ intake, stretch, question, index, canJoin, corrections, correct }: Props) {
  const media = (id: string) => `/api/v1/intakes/${intake}/media/${id}`
  const first = stretch.lines[0]
  if (!first) return null
  const isQuestion = stretch.is === 'question' && question !== undefined
  return (
    <div className="grid grid-cols-2 gap-4 border-hairline border-b px-4 py-3 max-md:grid-cols-1">
      <div
        className={`flex flex-col gap-1 border-l-4 pl-1 ${isQuestion ? edgeOf(index) : stretch.is === 'unused' ? 'border-attention border-dashed' : 'border-hairline'}`}
      >
        {stretch.lines.map((line) => {
          const option = line.option
          return (
            <TypedLine
              key={line.number}
              line={line}
              media={media}
              correct={correct}
              held={corrections.lines?.[line.number]}
              {...(isQuestion && option !== null
                ? { onRight: () => correct.set('keys', `${first.number}`, [option], lookOf(stretch.lines, option)) }
                : {})}
            />
          )
        })}
      </div>
      {isQuestion ? (
        <UnderstoodCard
          intake={intake}
          question={question}
          lines={stretch.lines}
          index={index}
          media={media}
          correct={correct}
          canJoin={canJoin}
        />
      ) : (
        <p className={`self-start rounded-ui px-3 py-1 ${stretch.is === 'unused' ? 'bg-attention-tint text-attention' : 'text-second'}`}>
          {stretch.is === 'question' ? words.question.empty : words.is[stretch.is]}
        </p>
      )}
    </div>
  )
}
