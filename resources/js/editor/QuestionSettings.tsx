import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import type { Hint, Part, QuestionJson } from '@/api/question'
import { settingsSummary } from '@/lib/phrases/desk'
import { texts } from '@/messages'
import { Credit } from '@/parts/Credit'
import { FeedbackField } from '@/parts/FeedbackField'
import { moved } from '@/parts/moved'
import { SettingNumber } from '@/parts/PartCard'
import { Button } from '@/ui/Button'
import { LazyRich } from '@/ui/LazyRich'
import { HowPartsCount } from './HowPartsCount'
import { ToolSettings } from './ToolSettings'

type Props = {
  question: QuestionJson
  parts: Part[]
  called: (id: string) => string
  change: (edit: (now: QuestionJson) => QuestionJson, place: string) => void
  problem: (path: string) => string | undefined
}
const words = { part: (id: string) => id }

/** Feedback on the whole question, hints with their cost, attempts. */
export function QuestionSettings({ question, parts, called, change, problem }: Props) {
  const [open, setOpen] = useState(false)
  const feedback = question.feedback ?? {}
  const hints = question.hints ?? []
  const attempts = question.attempts ?? {}
  const setHints = (next: Hint[], place = '') => change((now) => ({ ...now, hints: next }), place)
  const count = Object.values(feedback).filter((one) => one !== '' && one.html !== '').length
  return (
    <section aria-label={texts.desk.more} className="rounded-ui border border-hairline">
      <h2>
        <button
          type="button"
          aria-expanded={open}
          className="flex min-h-10 w-full items-center gap-3 rounded-ui px-3 text-left hover:bg-page"
          onClick={() => setOpen(!open)}
        >
          <span aria-hidden="true" className="text-quiet">
            {open ? '▾' : '▸'}
          </span>
          <span className="font-semibold">{texts.desk.more}</span>
          <span className="text-caption text-quiet">
            {[settingsSummary(count, hints.length, attempts.allowed ?? null), ...toolWords(question)].join(', ')}
          </span>
        </button>
      </h2>
      {open ? (
        <div className="flex flex-col gap-4 border-hairline border-t p-3">
          <ToolSettings question={question} change={change} />
          <dl className="grid grid-cols-[140px_1fr] items-baseline gap-x-3 gap-y-1">
            {Object.entries(texts.desk.feedbacks).map(([name, title]) => (
              <div key={name} className="contents">
                <dt className="text-caption text-second">{title}</dt>
                <dd className="border-hairline border-b">
                  <FeedbackField
                    withShow
                    value={feedback[name]}
                    label={title}
                    onChange={(next) => change((now) => ({ ...now, feedback: { ...now.feedback, [name]: next } }), `feedback ${name}`)}
                  />
                </dd>
              </div>
            ))}
          </dl>
          <div>
            <h3 className="text-caption text-second">{texts.desk.hints}</h3>
            <ol>
              {hints.map((hint, i) => (
                <li
                  key={hint.id}
                  className="flex items-start gap-3 border-hairline border-b py-1"
                  onKeyDown={(event) => {
                    if (!event.altKey || event.shiftKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
                    event.preventDefault()
                    setHints(moved(hints, i, i + (event.key === 'ArrowUp' ? -1 : 1)))
                  }}
                >
                  <div className="min-w-0 flex-1">
                    <LazyRich
                      value={hint.html}
                      label={texts.desk.hint({ n: i + 1 })}
                      words={words}
                      placeholder={texts.desk.hint({ n: i + 1 })}
                      onChange={(html) =>
                        setHints(
                          hints.map((one) => (one.id === hint.id ? { ...one, html } : one)),
                          `hint ${hint.id}`,
                        )
                      }
                    />
                    {problem(`/hints/${i}`) ? <p className="text-caption text-problem">{problem(`/hints/${i}`)}</p> : null}
                  </div>
                  <span className="flex items-baseline gap-1 text-caption">
                    {texts.desk.costs}
                    <Credit
                      value={hint.cost ?? '0'}
                      label={texts.desk.hintCost({ n: i + 1 })}
                      onChange={(cost) =>
                        setHints(
                          hints.map((one) => (one.id === hint.id ? { ...one, cost } : one)),
                          `cost ${hint.id}`,
                        )
                      }
                    />
                  </span>
                  <Button
                    look="quiet"
                    className="!px-1"
                    aria-label={texts.parts.remove({ what: texts.desk.hint({ n: i + 1 }) })}
                    title={texts.parts.remove({ what: texts.desk.hint({ n: i + 1 }) })}
                    onClick={() => setHints(hints.filter((one) => one.id !== hint.id))}
                  >
                    <Trash2 size={16} aria-hidden="true" />
                  </Button>
                </li>
              ))}
            </ol>
            <Button
              look="quiet"
              className="!px-0"
              onClick={() => {
                let n = hints.length + 1
                while (hints.some((hint) => hint.id === `h${n}`)) n++
                setHints([...hints, { id: `h${n}`, html: '', cost: '0' }])
              }}
            >
              {texts.desk.addHint}
            </Button>
          </div>
          {parts.length > 1 ? <HowPartsCount question={question} parts={parts} called={called} change={change} problem={problem} /> : null}
          <div className="flex flex-wrap items-center gap-6">
            <SettingNumber
              label={texts.desk.attempts}
              value={attempts.allowed ?? null}
              min={1}
              max={100}
              empty={texts.desk.attemptsUnlimited}
              onChange={(allowed) => change((now) => ({ ...now, attempts: { ...now.attempts, allowed } }), 'attempts')}
            />
            <span className="flex items-baseline gap-2">
              {texts.desk.attemptCost}
              <Credit
                value={attempts.cost ?? '0'}
                label={texts.desk.attemptCost}
                problem={problem('/attempts')}
                onChange={(cost) => change((now) => ({ ...now, attempts: { ...now.attempts, cost } }), 'attempt cost')}
              />
            </span>
          </div>
        </div>
      ) : null}
    </section>
  )
}

/** The tools and the time of a question in a few words. */
function toolWords({ tools, time_limit }: QuestionJson): string[] {
  const { summary } = texts.tools
  return [
    ...(tools?.calculator === 'basic' ? [summary.basic] : tools?.calculator === 'scientific' ? [summary.scientific] : []),
    ...(time_limit ? [summary.minutes({ n: Math.round(time_limit / 6) / 10 })] : []),
  ]
}
