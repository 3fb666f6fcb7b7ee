import type { Part } from '@/api/question'
import { texts } from '@/messages'
import { FeedbackField } from './FeedbackField'

/** What is said of this part when it is right, partly right or wrong. */
export function PartFeedback({ part, onChange }: { part: Part; onChange: (part: Part, place: string) => void }) {
  return (
    <dl className="grid w-full grid-cols-[140px_1fr] items-baseline gap-x-3 gap-y-1">
      {(['right', 'partly', 'wrong'] as const).map((state) => (
        <div key={state} className="contents">
          <dt className="text-caption text-second">{texts.desk.feedbacks[state]}</dt>
          <dd className="border-hairline border-b">
            <FeedbackField
              withShow
              value={part.feedback?.[state]}
              label={`${texts.desk.feedbacks[state]}, ${texts.parts.ofPart}`}
              onChange={(feedback) => {
                const { [state]: _, ...rest } = part.feedback ?? {}
                onChange({ ...part, feedback: feedback === '' ? rest : { ...rest, [state]: feedback } }, `feedback ${state}`)
              }}
            />
          </dd>
        </div>
      ))}
    </dl>
  )
}
