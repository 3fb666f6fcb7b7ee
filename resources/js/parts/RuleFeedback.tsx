import type { Feedback } from '@/api/question'
import { texts } from '@/messages'
import { FeedbackField } from './FeedbackField'

type Props = { value: Feedback | undefined; label: string; wrong: string | undefined; onChange: (feedback: Feedback) => void }

/** Below a rule written as a sentence: what it says to a learner, and what is wrong with it. */
export function RuleFeedback({ value, label, wrong, onChange }: Props) {
  return (
    <>
      <div className="flex items-baseline gap-1.5 text-caption">
        <span className="text-second">{texts.parts.feedbackRule}</span>
        <div className="min-w-0 flex-1">
          <FeedbackField withShow value={value} label={label} onChange={onChange} />
        </div>
      </div>
      {wrong ? <p className="text-caption text-problem">{wrong}</p> : null}
    </>
  )
}
