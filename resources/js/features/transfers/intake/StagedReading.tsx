import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { type Staged, stagedOneQuery } from '@/api/intakes'
import { texts } from '@/messages'
import { Checks } from '@/question/Checks'
import { RecordForm } from '@/question/record/RecordForm'
import { TryPane } from '@/question/try/TryPane'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Nothing, Waiting } from '@/ui/Message'
import { Compare } from './Compare'
import { NoticeList } from './NoticeList'
import { useReview } from './useReview'

type Props = { intake: string; id: string; slug: string; showKey: boolean; onKey: () => void; onBack: () => void }

/** A question of an intake as it will be, with what was noticed of it and the one it is like. */
export function StagedReading({ intake, id, slug, showKey, onKey, onBack }: Props) {
  const navigate = useNavigate()
  const one = useQuery(stagedOneQuery(intake, id))
  const review = useReview(intake)
  if (one.isPending) return <Waiting text={texts.loading} />
  if (one.isError) return <Nothing title={one.error.message} />
  const { question, notices, findings, skipped } = one.data
  return (
    <article className="flex min-h-full flex-col">
      <header className="flex flex-wrap items-center gap-2 border-hairline border-b px-6 py-2.5 max-md:px-4">
        <Button className="md:hidden" onClick={onBack}>
          {texts.bank.back}
        </Button>
        <h2 className="min-w-40 flex-1 text-head font-semibold">
          {texts.intake.number({ n: one.data.number })} {question.title || texts.desk.fresh}
        </h2>
        <Button aria-pressed={showKey} onClick={onKey}>
          {showKey ? texts.bank.keyShown : texts.bank.keyHidden}
        </Button>
        <Button onClick={() => review.mutate({ target: { ids: [id] }, change: { skipped: !skipped }, quiet: true })}>
          {skipped ? texts.intake.unskip : texts.intake.skip}
        </Button>
        <Button onClick={() => navigate(`/intakes/${intake}/questions/${id}`)}>{texts.intake.open}</Button>
      </header>
      {notices.length > 0 || one.data.duplicate || findings.length > 0 ? (
        <div className="flex flex-col gap-3 border-hairline border-b bg-page px-10 py-3 max-lg:px-6 max-md:px-4">
          <Twin staged={one.data} intake={intake} slug={slug} />
          <NoticeList notices={notices} />
          {findings.length > 0 ? (
            <Checks
              findings={findings}
              bare
              onFinish={() => review.mutate({ target: { ids: [id] }, change: { record: { processing: { set: null } } }, quiet: true })}
            />
          ) : null}
        </div>
      ) : null}
      <div className="flex-1 px-10 py-6 max-lg:px-6 max-md:px-4">
        <TryPane key={`${id} ${one.data.version}`} question={question} bank={slug} showKey={showKey} />
      </div>
      <section aria-label={texts.intake.classification} className="border-hairline border-t bg-page px-10 py-4 max-lg:px-6 max-md:px-4">
        <RecordForm
          key={`${id} ${one.data.version}`}
          slug={slug}
          record={question.record ?? {}}
          disabled={false}
          wide
          onChange={({ record, topics }) =>
            review.mutate({ target: { ids: [id] }, change: { ...(record ? { record } : {}), ...(topics ? { topics } : {}) }, quiet: true })
          }
        />
      </section>
    </article>
  )
}

/** The question it is like, and what to do with it. */
function Twin({ staged, intake, slug }: { staged: Staged; intake: string; slug: string }) {
  const review = useReview(intake)
  const [comparing, setComparing] = useState(false)
  const twin = staged.duplicate
  if (!twin) return null
  return (
    <section aria-label={texts.intake.duplicate[twin.by] ?? ''} className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="min-w-60 flex-1">
        <strong className="text-information">
          {twin.number === null ? texts.intake.there({ title: twin.title }) : texts.intake.twin({ n: twin.number })}
        </strong>{' '}
        <span className="text-second">
          ({texts.intake.duplicate[twin.by]}) {twin.differs ? texts.intake.differs : texts.intake.alike}
        </span>
      </p>
      <Button onClick={() => setComparing(true)}>{texts.intake.compare}</Button>
      <label className="flex items-center gap-2">
        <span className="text-caption text-second">{texts.intake.decision}</span>
        <select
          className={control}
          value={staged.decision ?? ''}
          onChange={(event) =>
            review.mutate({ target: { ids: [staged.id] }, change: { decision: event.target.value || null }, quiet: true })
          }
        >
          {Object.entries(texts.intake.decisions)
            .filter(([value]) => value !== 'replace' || twin.number === null)
            .map(([value, title]) => (
              <option key={value} value={value}>
                {title}
              </option>
            ))}
        </select>
      </label>
      {comparing ? <Compare staged={staged} twin={twin} slug={slug} onClose={() => setComparing(false)} /> : null}
    </section>
  )
}
