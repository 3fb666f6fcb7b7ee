import { useEffect, useRef } from 'react'
import type { RunReport as Report, RunPlan } from '@/api/assembly'
import { rounded } from '@/lib/format'
import { plainOf } from '@/lib/plainOf'
import { texts } from '@/messages'
import { Outcome } from '@/question/try/Outcome'
import { usePresentation } from '@/question/try/usePresentation'
import { Told } from './RunQuestion'

const words = texts.assembly.run

/** What a learner is shown at the end, as the settings allow; and for the author how every question was scored. */
export function RunReport({ plan, report }: { plan: RunPlan; report: Report }) {
  const head = useRef<HTMLHeadingElement>(null)
  useEffect(() => head.current?.focus(), [])
  const entries = report.sections.flatMap((section) => section.entries)
  const isTold = entries.some((entry) => entry.told)
  const several = report.sections.filter((section) => section.entries.length > 0).length > 1
  return (
    <div className="flex flex-col gap-6">
      <section aria-label={words.report} className="flex flex-col gap-3">
        <h2 ref={head} tabIndex={-1} className="text-head font-semibold outline-none">
          {words.report}
        </h2>
        {isTold ? (
          <p className="text-title">
            <strong>{words.earned({ score: rounded(report.score), max: report.max })}</strong>
          </p>
        ) : (
          <p>{words.handedIn}</p>
        )}
        {report.needs_marking > 0 ? <p className="text-attention">{words.toMark({ n: report.needs_marking })}</p> : null}
        {report.sections.map((section, i) =>
          section.entries.length === 0 ? null : (
            <div key={section.id}>
              {several ? (
                <h3 className="py-1 font-semibold">
                  {section.title || texts.assembly.section({ n: i + 1 })}
                  {isTold ? (
                    <span className="font-normal text-second">
                      {' '}
                      {words.earned({ score: rounded(section.score), max: section.max })}
                      {section.weight === '1' ? '' : `, ${texts.assembly.settings.said.weight({ times: section.weight })}`}
                    </span>
                  ) : null}
                </h3>
              ) : null}
              <ol className="divide-y divide-hairline border-hairline border-y">
                {section.entries.map((entry) => (
                  <li key={entry.entry} className="flex gap-3 py-2">
                    <span className="w-8 flex-none text-right text-quiet tabular-nums">{entry.number}.</span>
                    <div className="min-w-0 flex-1">
                      {/* as it was asked: its title is the author's, and may give it away */}
                      <p className="truncate">{plainOf(plan.asked[entry.entry]?.question.body ?? '').slice(0, 200)}</p>
                      {entry.told ? (
                        <Told result={entry.result} isOver isTold />
                      ) : (
                        <p className="text-second">{entry.answered ? words.answered : texts.try.state.unanswered}</p>
                      )}
                    </div>
                  </li>
                ))}
              </ol>
            </div>
          ),
        )}
      </section>
      <details className="rounded-ui border border-hairline px-4 py-2">
        <summary className="min-h-7 cursor-pointer font-semibold">{words.forAuthor}</summary>
        <ol className="flex flex-col gap-4 py-2">
          {entries.map((entry) => (
            <li key={entry.entry}>
              <Trace plan={plan} entry={entry} />
            </li>
          ))}
        </ol>
      </details>
    </div>
  )
}

function Trace({ plan, entry }: { plan: RunPlan; entry: Report['sections'][number]['entries'][number] }) {
  const asked = plan.asked[entry.entry]
  const shown = usePresentation(asked?.question ?? ({} as never), plan.seed, asked?.bank ?? '').data?.presentation
  if (!asked || !shown) return null
  return (
    <>
      <h3 className="font-semibold">
        {entry.number}. {asked.question.title}
      </h3>
      <Outcome
        result={entry.result}
        question={asked.question}
        shown={shown}
        finished
        label={`${texts.try.why}: ${texts.assembly.run.question({ n: entry.number })}`}
      />
    </>
  )
}
