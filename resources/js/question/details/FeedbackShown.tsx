import type { Feedback, Part, Presentation, QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { ruleCalled } from '@/question/try/ruleCalled'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'

type Props = { question: QuestionJson; shown: Presentation; media: (id: string) => string }
type Said = { when: string; html: string }

const words = texts.details

/** All that a question can tell its learners, and when. */
export function FeedbackShown({ question, shown, media }: Props) {
  const said = saidBy(question, shown)
  return (
    <section aria-label={words.names.feedback} className="flex flex-col gap-2 border-hairline border-t pt-3">
      {said.length === 0 ? <p className="text-quiet">{words.nothingSaid}</p> : null}
      <dl className="flex flex-col gap-2">
        {said.map(({ when, html }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: they have no identity but their order
          <div key={i} className="feedback-text rounded-ui bg-well px-3 py-2">
            <dt className="text-caption text-second">{when}</dt>
            <dd>
              <RichTree nodes={htmlTree(html)} media={media} />
            </dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

/** In the order of the question: its parts, the whole, its hints. Mirrors core Printing\FeedbackList. */
export function saidBy(question: QuestionJson, shown: Presentation): Said[] {
  const several = question.parts.length > 1
  return [
    ...question.parts.flatMap((part, i) =>
      ofPart(part, question, shown).map(({ when, html }) => ({
        when: several ? words.ofPart({ part: part.label || `(${i + 1})`, when }) : when,
        html,
      })),
    ),
    ...states(question.feedback),
    ...(question.hints ?? []).map(({ html }) => ({ when: words.hintOf, html })),
  ].filter(({ html }) => html !== '')
}

function ofPart(part: Part, question: QuestionJson, shown: Presentation): Said[] {
  return [
    ...(part.key?.rules ?? []).map((rule) => ({
      when: ruleCalled(rule.id, part.id, question, shown),
      html: htmlOf(rule.feedback),
    })),
    ...(partView(part.kind)?.remarks?.(part) ?? []).map(({ about, feedback }) => ({ when: about, html: htmlOf(feedback) })),
    ...states(part.feedback),
  ]
}

/** Feedback that was emptied is an empty text. */
const htmlOf = (feedback: Feedback | undefined) => (feedback ? feedback.html : '')

const states = (feedback: Record<string, Feedback | undefined> | undefined): Said[] =>
  Object.entries(words.when).map(([state, when]) => ({ when, html: htmlOf(feedback?.[state]) }))
