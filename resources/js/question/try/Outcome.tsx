import type { Presentation, QuestionJson, Result, ShownFeedback } from '@/api/question'
import { decimal } from '@/lib/format'
import { texts } from '@/messages'
import { RichTree } from '@/ui/RichTree'
import { ruleCalled } from './ruleCalled'
import { traceWords } from './traceWords'

const tones: Record<string, string> = { right: 'text-accent', partly: 'text-attention', wrong: 'text-problem' }

/** The score, why it is so, and what the learner is told. */
type Props = {
  result: Result
  question: QuestionJson
  shown: Presentation
  finished: boolean
  /** What it is called where several stand on a page. */
  label?: string
}

export function Outcome({ result, question, shown, finished, label = texts.try.why }: Props) {
  const now = (feedback: ShownFeedback[]) =>
    feedback.filter((said) => said.show === 'both' || said.show === (finished ? 'after' : 'during'))
  const score = decimal(result.score)
  const of = texts.try.of({ max: Number(decimal(result.max)) })
  // a part that could have been answered instead, and was not, is no part of the outcome
  const parts = result.parts
    .map((part, i) => ({ ...part, name: question.parts[i]?.label || `${i + 1}` }))
    .filter((part) => part.state !== 'unanswered' || !shown.parts.some((one) => one.instead === part.id))
  const several = parts.length > 1
  return (
    <section aria-label={label} className="flex flex-col gap-2 border-hairline border-t pt-3">
      <p className="flex items-baseline gap-2">
        <strong className="text-title font-bold">{score}</strong> <span className="font-semibold">{of}</span>{' '}
        <span className={`font-semibold ${tones[result.state] ?? 'text-second'}`}>{texts.try.state[result.state] ?? result.state}</span>
      </p>
      <ul className="flex flex-col gap-1">
        {parts.map((part) => (
          <li key={part.id}>
            {several ? (
              <p className="font-semibold">
                {part.name}: <span className={tones[part.state] ?? 'text-second'}>{texts.try.state[part.state]}</span>,{' '}
                {decimal(part.score)} of {part.points}
              </p>
            ) : null}
            <Steps
              steps={part.trace.map((step) => withCriterion(step, part.id, question))}
              called={(rule) => ruleCalled(rule, part.id, question, shown)}
            />
            <Said feedback={now(part.feedback)} />
          </li>
        ))}
      </ul>
      <Steps steps={several ? result.trace : result.trace.filter((step) => step.step !== 'parts.summed')} />
      <Said feedback={now(result.feedback)} />
    </section>
  )
}

function Steps({ steps, called }: { steps: Result['trace']; called?: (rule: string) => string }) {
  return (
    <ul className="text-second">
      {steps
        .map((step) => traceWords(named(step, called)) ?? step.step)
        .filter((said) => said !== '')
        .map((said, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps have no identity but their order
          <li key={i} className="flex gap-2">
            <span aria-hidden="true" className="mt-2 size-1.5 flex-none bg-edge" />
            {said}
          </li>
        ))}
    </ul>
  )
}

function Said({ feedback }: { feedback: ShownFeedback[] }) {
  return feedback.map((said) => (
    <div key={said.of} className="feedback-text mt-2 rounded-ui bg-well px-3 py-2">
      <RichTree nodes={said.body} />
    </div>
  ))
}

/** Criteria by their titles. */
function withCriterion(step: Result['trace'][number], id: string, question: QuestionJson): Result['trace'][number] {
  const rubric = question.parts.find((one) => one.id === id)?.key?.rubric
  const found = step.criterion ? rubric?.criteria.find((one) => one.id === step.criterion) : undefined
  return found?.title ? { ...step, criterion: found.title } : step
}

function named(step: Result['trace'][number], called?: (rule: string) => string): Result['trace'][number] {
  return called
    ? { ...step, ...(step.rule ? { rule: called(String(step.rule)) } : {}), ...(step.other ? { other: called(String(step.other)) } : {}) }
    : step
}
