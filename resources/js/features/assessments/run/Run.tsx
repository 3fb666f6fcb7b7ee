import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { assessmentQuery, fetchRun, type RunPlan } from '@/api/assembly'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { htmlTree } from '@/ui/htmlTree'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { RichTree } from '@/ui/RichTree'
import { Countdown } from './Countdown'
import { RunQuestion } from './RunQuestion'
import { RunReport } from './RunReport'
import { useRun } from './useRun'

const words = texts.assembly.run

/** An assessment as a learner goes through it, from the first page to the report. Nothing is kept about anybody. */
export function Run() {
  const id = useParams().id ?? ''
  const navigate = useNavigate()
  const whole = useQuery({ ...assessmentQuery(id), staleTime: 0 })
  const [seed, setSeed] = useState(1)
  const [practise, setPractise] = useState(false)
  const [begun, setBegun] = useState(0)
  const plan = useQuery({
    queryKey: ['assessment', id, 'run', whole.data?.version, seed, practise],
    queryFn: () => fetchRun(id, seed, practise),
    enabled: whole.data !== undefined,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  })
  const title = whole.data?.title ?? '…'
  const problem = whole.error ?? plan.error
  return (
    <Shell
      title={words.title}
      crumbs={[{ title: texts.assembly.title, to: '/assessments' }, { title, to: `/assessments/${id}` }, { title: words.title }]}
      aside={words.keptNowhere}
      actions={<Button onClick={() => navigate(`/assessments/${id}`)}>{words.leave}</Button>}
    >
      <div className="h-full overflow-y-auto bg-paper">
        <div className="mx-auto flex max-w-3xl flex-col gap-4 px-6 py-6 max-md:px-4">
          {problem ? <Nothing title={problem.message} /> : null}
          {!problem && plan.isPending ? <Waiting text={texts.loading} /> : null}
          {plan.data && begun === 0 ? (
            <Begin plan={plan.data} seed={seed} onSeed={setSeed} practise={practise} onPractise={setPractise} onBegin={() => setBegun(1)} />
          ) : null}
          {plan.data && begun > 0 ? (
            <Going
              key={begun}
              assessment={id}
              plan={plan.data}
              onAgain={(other) => {
                if (other) setSeed(seed + 1)
                setBegun(other ? 0 : begun + 1)
              }}
            />
          ) : null}
        </div>
      </div>
    </Shell>
  )
}

type BeginProps = {
  plan: RunPlan
  seed: number
  onSeed: (seed: number) => void
  practise: boolean
  onPractise: (practise: boolean) => void
  onBegin: () => void
}

function Begin({ plan, seed, onSeed, practise, onPractise, onBegin }: BeginProps) {
  return (
    <>
      <h1 className="font-bold text-title">{plan.title}</h1>
      <p className="text-second">
        {texts.assembly.total({ n: plan.questions, points: plan.points })}
        {plan.time_limit ? `, ${words.inTime({ n: plan.time_limit / 60 })}` : ''}
      </p>
      {plan.cover ? <RichTree nodes={htmlTree(plan.cover)} /> : null}
      {plan.instructions ? <RichTree nodes={htmlTree(plan.instructions)} /> : null}
      {plan.purpose === 'choice' ? (
        <fieldset className="flex flex-col gap-1">
          <legend className="font-semibold">{words.choose}</legend>
          {[false, true].map((one) => (
            <label key={String(one)} className="flex items-center gap-2">
              <input type="radio" name="practise" className="accent-accent" checked={practise === one} onChange={() => onPractise(one)} />
              {one ? words.practise : words.beMarked}
            </label>
          ))}
        </fieldset>
      ) : null}
      {plan.questions === 0 ? <Message look="attention">{words.nothing}</Message> : null}
      <div className="flex flex-wrap items-end gap-3">
        <Button look="primary" aria-disabled={plan.questions === 0} onClick={() => (plan.questions === 0 ? undefined : onBegin())}>
          {words.begin}
        </Button>
        <label className="flex items-center gap-2 text-second">
          {words.learner}
          <input
            type="number"
            min={0}
            max={Number.MAX_SAFE_INTEGER}
            value={seed}
            onChange={({ target }) => onSeed(Math.min(Number.MAX_SAFE_INTEGER, Math.max(0, Math.round(Number(target.value)) || 0)))}
            className={`${control} w-24`}
          />
        </label>
      </div>
      <p className="text-caption text-quiet">{words.learnerAbout}</p>
    </>
  )
}

/** @param onAgain  again as the same learner, or as another */
function Going({ assessment, plan, onAgain }: { assessment: string; plan: RunPlan; onAgain: (other: boolean) => void }) {
  const run = useRun(assessment, plan)
  const [at, setAt] = useState(0)
  const [closed, setClosed] = useState<string[]>([])
  const head = useRef<HTMLHeadingElement>(null)
  const steps = plan.sections.flatMap((section) => section.entries.map((entry) => ({ section, entry })))
  const step = steps[at]
  const section = step?.section
  // what is turned to is read from its beginning
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever another question is turned to
  useEffect(() => head.current?.focus(), [at])
  if (run.report.data)
    return (
      <>
        <RunReport plan={plan} report={run.report.data} />
        <p className="flex flex-wrap gap-2">
          <Button onClick={() => onAgain(false)}>{words.again}</Button>
          <Button onClick={() => onAgain(true)}>{words.another}</Button>
        </p>
      </>
    )
  const isLocked = (of: string) => run.report.isPending || closed.includes(of)
  const mayTurnTo = (to: number) => to >= 0 && to < steps.length && (plan.go_back || to > at) && !isLocked(steps[to]?.section.id ?? '')
  const next = () => {
    const to = steps.findIndex((one, i) => i > at && !isLocked(one.section.id))
    if (to >= 0) setAt(to)
  }
  const over = (of: string) => {
    setClosed((now) => [...now, of])
    const to = steps.findIndex((one, i) => i > at && one.section.id !== of)
    if (to >= 0) setAt(to)
  }
  const clocks = (
    <div className="flex flex-wrap gap-x-6">
      {plan.time_limit ? <Countdown seconds={plan.time_limit} label={words.left} onOver={run.handIn} /> : null}
      {section?.time_limit && plan.pages === 'one' ? (
        <Countdown key={section.id} seconds={section.time_limit} label={words.leftHere} onOver={() => over(section.id)} />
      ) : null}
    </div>
  )
  const blank = steps.filter(({ entry }) => entry.number !== null && !run.isAnswered(entry.entry)).length
  const handIn = (
    <div className="flex flex-wrap items-center gap-3 border-hairline border-t pt-4">
      <Button look="primary" aria-disabled={run.report.isPending} onClick={() => (run.report.isPending ? undefined : run.handIn())}>
        {words.handIn}
      </Button>
      {blank > 0 ? <span className="text-second">{words.blank({ n: blank })}</span> : null}
      {run.report.isError ? <Message look="problem">{run.report.error.message}</Message> : null}
    </div>
  )
  if (plan.pages === 'all')
    return (
      <>
        {clocks}
        {plan.sections.map((one, i) => (
          <section key={one.id} aria-label={one.title || texts.assembly.section({ n: i + 1 })} className="flex flex-col gap-4">
            <SectionTop section={one} />
            {one.entries.map((entry) => (
              <article key={entry.entry} className="flex flex-col gap-2 border-hairline border-t pt-3">
                <Numbered entry={entry} of={plan.questions} />
                <RunQuestion plan={plan} entry={entry} run={run} isLocked={isLocked(one.id)} />
              </article>
            ))}
          </section>
        ))}
        {handIn}
      </>
    )
  return (
    <>
      {clocks}
      <nav aria-label={words.questions}>
        <ol className="flex flex-wrap gap-1">
          {steps.map(({ entry }, i) => (
            <li key={entry.entry}>
              <button
                type="button"
                aria-current={i === at ? 'step' : undefined}
                aria-label={[
                  entry.number === null ? words.page : words.question({ n: entry.number }),
                  ...(run.isAnswered(entry.entry) ? [words.answered] : []),
                ].join(', ')}
                disabled={i !== at && !mayTurnTo(i)}
                onClick={() => setAt(i)}
                className={`min-h-8 min-w-8 rounded-ui border px-1 tabular-nums disabled:opacity-55 ${
                  i === at ? 'border-accent font-bold text-accent' : 'border-edge'
                } ${run.isAnswered(entry.entry) ? 'bg-accent-tint' : ''}`}
              >
                {entry.number ?? '¶'}
              </button>
            </li>
          ))}
        </ol>
      </nav>
      {step && section ? (
        <article className="flex flex-col gap-3">
          {section.entries[0]?.entry === step.entry.entry || section.instructions ? <SectionTop section={section} /> : null}
          <h2 ref={head} tabIndex={-1} className="font-semibold outline-none">
            {step.entry.number === null ? words.page : words.questionOf({ n: step.entry.number, of: plan.questions })}
            {step.entry.number === null ? null : <span className="font-normal text-second"> {texts.points({ n: step.entry.points })}</span>}
          </h2>
          <RunQuestion key={step.entry.entry} plan={plan} entry={step.entry} run={run} isLocked={isLocked(section.id)} />
          <div className="flex gap-2">
            {plan.go_back ? (
              <Button aria-disabled={!mayTurnTo(at - 1)} onClick={() => (mayTurnTo(at - 1) ? setAt(at - 1) : undefined)}>
                {words.back}
              </Button>
            ) : null}
            {at < steps.length - 1 ? <Button onClick={next}>{words.next}</Button> : null}
          </div>
        </article>
      ) : null}
      {handIn}
    </>
  )
}

function SectionTop({ section }: { section: RunPlan['sections'][number] }) {
  if (!section.title && !section.instructions) return null
  return (
    <header className="flex flex-col gap-1">
      {section.title ? <p className="text-head font-semibold">{section.title}</p> : null}
      {section.weight === '1' ? null : (
        <p className="text-caption text-second">{texts.assembly.settings.said.weight({ times: section.weight })}</p>
      )}
      {section.instructions ? <RichTree nodes={htmlTree(section.instructions)} /> : null}
    </header>
  )
}

function Numbered({ entry, of }: { entry: RunPlan['sections'][number]['entries'][number]; of: number }) {
  if (entry.number === null) return null
  return (
    <h2 className="font-semibold">
      {words.questionOf({ n: entry.number, of })} <span className="font-normal text-second">{texts.points({ n: entry.points })}</span>
    </h2>
  )
}
