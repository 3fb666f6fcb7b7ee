import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useAct } from '@/acts/useAct'
import { questionQuery } from '@/api/queries'
import { UsedIn } from '@/assembly/UsedIn'
import { Button } from '@/components/Button'
import { Menu } from '@/components/Menu'
import { Nothing, Waiting } from '@/components/Message'
import { RecordForm } from '@/record/RecordForm'
import { RecordLog } from '@/record/RecordLog'
import { texts } from '@/texts'
import { useTray } from '@/tray/useTray'
import { TryPane } from '@/try/TryPane'

type Props = { id: string; slug: string; onBack: () => void; showKey: boolean; onKey: () => void }

/** A question whole: as a learner meets it, with or without its key, tried here, classified in place. */
export function Reading({ id, slug, onBack, showKey, onKey }: Props) {
  const navigate = useNavigate()
  const whole = useQuery(questionQuery(id))
  const classify = useAct(whole.data?.bank.slug ?? slug)
  const [log, setLog] = useState(false)
  const tray = useTray()
  if (whole.isPending) return <Waiting text={texts.loading} />
  if (whole.isError) return <Nothing title={whole.error.message} />
  const { question, name, findings, revision, may_write, bank, folders, uses } = whole.data
  const record = question.record ?? {}
  const failing = findings.filter((finding) => finding.code === 'specimen.failed').length
  const specimens = record.specimens?.length ?? 0
  const origin = record.origin?.identifier
  return (
    <article className="flex min-h-full flex-col">
      <header className="flex flex-wrap items-center gap-2 border-hairline border-b px-6 py-2.5 max-md:px-4">
        <Button className="md:hidden" onClick={onBack}>
          {texts.bank.back}
        </Button>
        <h2 className="min-w-40 flex-1 text-head font-semibold">{name}</h2>
        <Button aria-pressed={showKey} onClick={onKey}>
          {showKey ? texts.bank.keyShown : texts.bank.keyHidden}
        </Button>
        <Button
          aria-pressed={tray.ids.includes(id)}
          onClick={() =>
            tray.toggle({
              id,
              title: name,
              kinds: [...new Set(question.parts.map((part) => part.kind))],
              points: question.parts.reduce((sum, part) => sum + part.points, 0),
            })
          }
        >
          {tray.ids.includes(id) ? texts.tray.out : texts.tray.put}
        </Button>
        {may_write ? (
          <>
            <Button onClick={() => navigate(`/questions/${id}`)}>{texts.bank.open}</Button>
            <Menu.Root align="end" button={<Button>{texts.bank.more}</Button>}>
              <Menu.Item onSelect={() => navigate(`/banks/${bank.slug}/write?like=${id}`)}>{texts.bank.duplicate}</Menu.Item>
              <Menu.Item onSelect={() => setLog(true)}>{texts.record.history}</Menu.Item>
            </Menu.Root>
          </>
        ) : null}
      </header>
      <div className="flex-1 px-10 py-6 max-lg:px-6 max-md:px-4">
        <TryPane question={question} bank={bank.slug} showKey={showKey} />
      </div>
      <section aria-label={texts.record.title} className="border-hairline border-t bg-page px-10 py-4 max-lg:px-6 max-md:px-4">
        <RecordForm
          key={id}
          slug={bank.slug}
          record={record}
          folders={folders}
          disabled={!may_write}
          wide
          onChange={(change) => classify.mutate({ target: { ids: [id] }, change })}
        />
        <p className="mt-2 flex flex-wrap gap-x-4 text-caption text-quiet">
          <span>{texts.bank.revision(revision)}</span>
          {specimens > 0 ? (
            <span className={failing > 0 ? 'text-problem' : ''}>{texts.bank.specimens(specimens - failing, specimens)}</span>
          ) : null}
          <span>
            {texts.bank.identifier} <span className="break-all font-mono">{id}</span>
          </span>
          {origin ? (
            <span>
              {texts.bank.identifierThere} <span className="break-all font-mono">{origin}</span>
            </span>
          ) : null}
        </p>
        <UsedIn uses={uses} />
      </section>
      {log ? <RecordLog id={id} onClose={() => setLog(false)} /> : null}
    </article>
  )
}
