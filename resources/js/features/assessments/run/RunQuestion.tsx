import type { RunEntry, RunPlan } from '@/api/assembly'
import { decimal, rounded } from '@/lib/format'
import { triesLeft } from '@/lib/phrases/desk'
import { texts } from '@/messages'
import { StimulusText } from '@/question/StimulusText'
import { ToolsBar } from '@/question/tools/ToolsBar'
import { QuestionBody } from '@/question/try/QuestionBody'
import { usePresentation } from '@/question/try/usePresentation'
import { Button } from '@/ui/Button'
import { RoomForWorking } from '@/ui/graph/Scratch'
import { htmlTree } from '@/ui/htmlTree'
import { Message, Waiting } from '@/ui/Message'
import { PlaysLimited, useMedia } from '@/ui/media'
import { RichTree } from '@/ui/RichTree'
import type { LearnersRun } from './useRun'

const words = texts.assembly.run

type Props = { plan: RunPlan; entry: RunEntry; run: LearnersRun; isLocked: boolean }

/** One question as a learner meets it: answered, checked as often as may be, told what is to be told. */
export function RunQuestion({ plan, entry, run, isLocked }: Props) {
  const asked = plan.asked[entry.entry]
  if (!asked) return null
  return <Asked plan={plan} entry={entry} run={run} isLocked={isLocked} asked={asked} />
}

function Asked({ plan, entry, run, isLocked, asked }: Props & { asked: NonNullable<RunPlan['asked'][string]> }) {
  const { question } = asked
  const shown = usePresentation(question, plan.seed, asked.bank ?? '')
  const media = useMedia(asked.bank ?? '', asked.stored ? question.id : undefined)
  const work = run.of(entry.entry)
  const presentation = shown.data?.presentation
  if (shown.isPending) return <Waiting text={texts.loading} />
  if (!presentation || !shown.data) return <Message look="attention">{shown.error?.message ?? texts.try.unavailable}</Message>
  const stimuli = shown.data.stimuli.map(({ id, title, language, media }, i) => ({
    id,
    title,
    content: <StimulusText key={id} nodes={presentation.stimuli[i] ?? []} title={title} language={language} media={media} />,
  }))
  const disabled = isLocked || work.finished
  const hints = question.hints ?? []
  const isChecked = entry.tells.between || entry.tells.last
  const isQuestion = question.parts.length > 0
  return (
    <PlaysLimited value={true}>
      <RoomForWorking value={(presentation.tools as { scratch?: boolean }).scratch === true}>
        <form
          className="flex flex-col gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            if (!disabled && isChecked && !work.result) run.check(entry)
          }}
        >
          {stimuli.filter((_, i) => !presentation.on_request.includes(i)).map(({ content }) => content)}
          <ToolsBar
            shown={presentation}
            sheets={stimuli.filter((_, i) => presentation.on_request.includes(i))}
            round={`${plan.seed} ${entry.entry}`}
          />
          <QuestionBody
            shown={presentation}
            question={question}
            response={work.response}
            onAnswer={(part, given) => run.answer(entry.entry, part, given)}
            disabled={disabled}
            result={null}
            media={media}
          />
          {hints.slice(0, work.hints).map((hint) => (
            <div key={hint.id} className="feedback-text rounded-ui bg-well px-3 py-2">
              <RichTree nodes={htmlTree(hint.html)} media={media} />
            </div>
          ))}
          {isQuestion && !disabled ? (
            <div className="flex flex-wrap items-center gap-2">
              {isChecked && !work.result ? (
                <Button key="check" type="submit" aria-disabled={run.checking.isPending}>
                  {texts.try.check}
                </Button>
              ) : null}
              {isChecked && work.result ? (
                <Button key="again" onClick={() => run.again(entry.entry)}>
                  {texts.try.again}
                </Button>
              ) : null}
              {work.hints < hints.length ? (
                <Button onClick={() => run.hint(entry.entry)}>{texts.try.hint({ left: hints.length - work.hints })}</Button>
              ) : null}
              {isChecked && entry.attempts !== null && entry.attempts > 1 ? (
                <span className="text-caption text-second">{triesLeft(work.wrong, entry.attempts)}</span>
              ) : null}
            </div>
          ) : null}
          {run.checking.isError && run.checking.variables?.entry.entry === entry.entry ? (
            <Message look="problem">{run.checking.error.message}</Message>
          ) : null}
          <div aria-live="polite">
            {work.result ? (
              <Told result={work.result} isOver={work.finished} isTold={work.finished ? entry.tells.last : entry.tells.between} />
            ) : null}
          </div>
        </form>
      </RoomForWorking>
    </PlaysLimited>
  )
}

/** What a learner is told of a try: how it was, what it earned, what the author says to it. */
export function Told({
  result,
  isOver,
  isTold,
}: {
  result: NonNullable<ReturnType<LearnersRun['of']>['result']>
  isOver: boolean
  /** Whether feedback is given now; otherwise only whether it was right. */
  isTold: boolean
}) {
  const tones: Record<string, string> = { right: 'text-accent', partly: 'text-attention', wrong: 'text-problem' }
  const feedback = [...result.parts.flatMap((part) => part.feedback), ...result.feedback].filter(
    (said) => said.show === 'both' || said.show === (isOver ? 'after' : 'during'),
  )
  return (
    <div className="flex flex-col gap-2">
      <p>
        <strong className={tones[result.state] ?? 'text-second'}>{texts.try.state[result.state] ?? result.state}</strong>
        {isTold && !result.needs_marking ? (
          <span className="text-second"> · {words.earned({ score: rounded(result.score), max: Number(decimal(result.max)) })}</span>
        ) : null}
      </p>
      {isTold
        ? feedback.map((said, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: what is said has no identity but its order
            <div key={`${said.of} ${i}`} className="feedback-text rounded-ui bg-well px-3 py-2">
              <RichTree nodes={said.body} />
            </div>
          ))
        : null}
    </div>
  )
}
