import { Fragment, memo, useState } from 'react'
import type { ModelAnswer, QuestionJson, Specimen } from '@/api/question'
import { lazily } from '@/lib/lazily'
import { triesLeft } from '@/lib/phrases/desk'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { StimulusText } from '@/question/StimulusText'
import { ToolsBar } from '@/question/tools/ToolsBar'
import { Button } from '@/ui/Button'
import { RoomForWorking } from '@/ui/graph/Scratch'
import { htmlTree } from '@/ui/htmlTree'
import { Message, Waiting } from '@/ui/Message'
import { PlaysLimited, useMedia } from '@/ui/media'
import { RichTree } from '@/ui/RichTree'
import { fitting } from './marks'
import { Outcome } from './Outcome'
import { QuestionBody } from './QuestionBody'
import { Rolls } from './Rolls'
import { useTry } from './useTry'

const FeedbackShown = lazily(() => import('@/question/details/FeedbackShown'), 'FeedbackShown')
const Marking = lazily(() => import('./Marking'), 'Marking')
const MarkingKey = lazily(() => import('./MarkingKey'), 'MarkingKey')

type Props = {
  question: QuestionJson
  bank: string
  /** As it is stored, and read where it is placed: its media come with it. */
  stored?: boolean
  showKey?: boolean
  /** With all it can tell its learners. */
  showFeedback?: boolean
  /** Keeps the response as a specimen, where that may be done. */
  onSpecimen?: (specimen: Omit<Specimen, 'id'>) => void
  /** Keeps what was answered and how it was marked as an example answer of a part. */
  onModel?: (part: string, model: Omit<ModelAnswer, 'id'>) => void
  /** The question as it is at this moment, where `question` follows it at a distance. */
  now?: () => QuestionJson
  /** With the width of a phone and the number of the roll, for who writes. */
  bench?: boolean
  /** The roll it begins with. */
  roll?: number | undefined
}

/** The question as a learner meets it: drawn from the presentation, scored by the core. */
export const TryPane = memo(function TryPane({
  question,
  bank,
  stored,
  showKey,
  showFeedback,
  onSpecimen,
  onModel,
  bench,
  roll,
  now,
}: Props) {
  const attempt = useTry(question, bank, now, roll)
  const [phone, setPhone] = useState(false)
  const media = useMedia(bank, stored ? question.id : undefined)
  if (attempt.shown.isPending) return <Waiting text={texts.loading} />
  const shown = attempt.shown.data?.presentation
  if (!shown || !attempt.shown.data || attempt.shown.isError)
    return (
      <div className="flex flex-col gap-3">
        <Message look="attention">
          {texts.try.unavailable} {attempt.shown.error?.message ?? attempt.shown.data?.problem}
        </Message>
        <Rolls attempt={attempt} question={question} withSeed={bench === true} />
      </div>
    )
  const hints = question.hints ?? []
  const withKey = showKey || attempt.answerShown
  const { result } = attempt
  const stimuli = attempt.shown.data.stimuli.map(({ id, title, language, media }, i) => ({
    id,
    title,
    content: <StimulusText key={id} nodes={shown.stimuli[i] ?? []} title={title} language={language} media={media} />,
  }))
  return (
    <PlaysLimited value={true}>
      <RoomForWorking value={(shown.tools as { scratch?: boolean }).scratch === true}>
        <form
          className={`relative flex flex-col gap-3 ${phone ? 'mx-auto w-97.5 max-w-full rounded-ui border border-edge p-4' : ''}`}
          onSubmit={(event) => {
            event.preventDefault()
            if (!attempt.finished) attempt.check()
          }}
        >
          {stimuli.filter((_, i) => !shown.on_request.includes(i)).map(({ content }) => content)}
          <ToolsBar
            shown={shown}
            sheets={stimuli.filter((_, i) => shown.on_request.includes(i))}
            round={`${attempt.seed} ${attempt.round}`}
          />
          <QuestionBody
            shown={shown}
            question={question}
            response={attempt.response}
            onAnswer={attempt.answer}
            disabled={attempt.finished}
            withKey={withKey}
            result={result}
            media={media}
          />
          {withKey
            ? question.parts.map((part) => {
                const Key = partView(part.kind)?.Key
                const isByHand = part.scoring?.scheme === 'person' && (part.key?.rubric || part.key?.models?.length)
                return (
                  <Fragment key={part.id}>
                    {Key ? <Key part={part} /> : null}
                    {isByHand ? <MarkingKey part={part} media={media} /> : null}
                  </Fragment>
                )
              })
            : null}
          {showFeedback ? <FeedbackShown question={question} shown={shown} media={media} /> : null}
          {hints.slice(0, attempt.hints).map((hint) => (
            <div key={hint.id} className="feedback-text rounded-ui bg-well px-3 py-2">
              <RichTree nodes={htmlTree(hint.html)} media={media} />
            </div>
          ))}
          {question.parts.length > 0 ? (
            <div className="flex flex-wrap items-center gap-2">
              {attempt.finished ? null : result ? (
                // Two buttons, not one that changes: it would submit in the very click that asks for another try.
                <Button key="again" onClick={attempt.again}>
                  {texts.try.again}
                </Button>
              ) : (
                <Button key="check" type="submit">
                  {texts.try.check}
                </Button>
              )}
              {!attempt.finished && attempt.hints < hints.length ? (
                <Button onClick={attempt.hint}>{texts.try.hint({ left: hints.length - attempt.hints })}</Button>
              ) : null}
              {attempt.finished ? null : <Button onClick={attempt.finish}>{texts.try.finish}</Button>}
              {attempt.finished || result ? <Button onClick={attempt.fresh}>{texts.try.fresh}</Button> : null}
              {showKey ? null : (
                <Button aria-pressed={attempt.answerShown} onClick={attempt.showAnswer}>
                  {attempt.answerShown ? texts.try.hideAnswer : texts.try.showAnswer}
                </Button>
              )}
              {bench ? (
                <Button look="quiet" className="!px-1" aria-pressed={phone} onClick={() => setPhone(!phone)}>
                  {phone ? texts.try.fullWidth : texts.try.phone}
                </Button>
              ) : null}
            </div>
          ) : null}
          {attempt.allowed !== null && !attempt.finished ? (
            <p className="text-caption text-second">{triesLeft(attempt.wrong, attempt.allowed)}</p>
          ) : null}
          {attempt.checking.isError ? <Message look="problem">{attempt.checking.error.message}</Message> : null}
          <div aria-live="polite">
            {result ? <Outcome result={result} question={question} shown={shown} finished={attempt.finished} /> : null}
          </div>
          {result?.parts.some((part) => part.marking) ? (
            <Marking attempt={attempt} result={result} question={question} media={media} {...(onModel ? { onModel } : {})} />
          ) : null}
          {result && onSpecimen ? (
            <Button
              look="quiet"
              className="self-end"
              onClick={() =>
                onSpecimen({
                  response: attempt.response,
                  score: String(result.score),
                  seed: attempt.seed,
                  ...(attempt.hints > 0 ? { hints: attempt.hints } : {}),
                  ...(attempt.earlier > 0 ? { earlier_wrong: attempt.earlier } : {}),
                  ...(Object.keys(attempt.marks).length > 0 ? { marks: fitting(question, attempt.marks).marks } : {}),
                })
              }
            >
              {texts.specimens.keep}
            </Button>
          ) : null}
          <Rolls attempt={attempt} question={question} withSeed={bench === true} />
        </form>
      </RoomForWorking>
    </PlaysLimited>
  )
})
