import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { BulkChange } from '@/api/acts'
import { questionQuery } from '@/api/queries'
import { PlaceMany } from '@/bulk/PlaceMany'
import { useAct } from '@/bulk/useAct'
import { texts } from '@/messages'
import { useDetails } from '@/question/details/useDetails'
import { RecordForm } from '@/question/record/RecordForm'
import { RecordLog } from '@/question/record/RecordLog'
import { TryPane } from '@/question/try/TryPane'
import { UsedIn } from '@/question/UsedIn'
import { useTray } from '@/shell/tray/useTray'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { Places } from './Places'

type Props = { id: string; slug: string; onBack: () => void }

/** A question whole: as a learner meets it, with or without its key, tried here, classified in place. */
export function Reading({ id, slug, onBack }: Props) {
  const details = useDetails()
  const showKey = details.has('key')
  const navigate = useNavigate()
  const whole = useQuery(questionQuery(id))
  const classify = useAct(whole.data?.bank.slug ?? slug)
  const [shown, setShown] = useState<'log' | 'place' | null>(null)
  const tray = useTray()
  if (whole.isPending) return <Waiting text={texts.loading} />
  if (whole.isError) return <Nothing title={whole.error.message} />
  const { question, name, findings, revision, may_write, bank, folders, uses, binned, proposed_name } = whole.data
  const act = (change: BulkChange) => classify.mutate({ target: { ids: [id] }, change })
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
        <Button aria-pressed={showKey} onClick={() => details.toggle('key')}>
          {showKey ? texts.bank.keyShown : texts.bank.keyHidden}
        </Button>
        {binned ? null : (
          <Button
            aria-pressed={tray.ids.includes(id)}
            onClick={() =>
              tray.toggle({
                id,
                title: name,
                kinds: [...new Set(question.parts.map((part) => part.kind))],
                points: question.parts.reduce((sum, part) => sum + part.points, 0),
                bank: bank.slug,
                bank_name: bank.name,
              })
            }
          >
            {tray.ids.includes(id) ? texts.tray.out : texts.tray.put}
          </Button>
        )}
        {may_write && !binned ? (
          <>
            <Button onClick={() => navigate(`/questions/${id}`)}>{texts.bank.open}</Button>
            <Menu.Root align="end" button={<Button>{texts.bank.more}</Button>}>
              <Menu.Item onSelect={() => navigate(`/banks/${bank.slug}/write?like=${id}`)}>{texts.bank.duplicate}</Menu.Item>
              <Menu.Item onSelect={() => setShown('place')}>{texts.bank.placeElsewhere}</Menu.Item>
              <Menu.Item onSelect={() => setShown('log')}>{texts.record.history}</Menu.Item>
              <Menu.Line />
              <Menu.Item onSelect={() => act({ bin: true })}>{texts.acts.bin.menu}</Menu.Item>
            </Menu.Root>
          </>
        ) : null}
      </header>
      {binned ? (
        <div className="px-6 pt-3">
          <Message look="attention" actions={may_write ? <Button onClick={() => act({ bin: false })}>{texts.acts.bin.back}</Button> : null}>
            {texts.acts.bin.isBinned}
          </Message>
        </div>
      ) : null}
      {proposed_name && may_write && !binned ? (
        <div className="px-6 pt-3">
          <Message look="attention" actions={<Button onClick={() => act({ content: { names: true } })}>{texts.bank.takeName}</Button>}>
            {texts.bank.nameSaysNothing({ name: proposed_name })}
          </Message>
        </div>
      ) : null}
      <div className="flex-1 px-10 py-6 max-lg:px-6 max-md:px-4">
        <TryPane stored question={question} bank={bank.slug} showKey={showKey} showFeedback={details.has('feedback')} />
      </div>
      <section aria-label={texts.record.title} className="border-hairline border-t bg-page px-10 py-4 max-lg:px-6 max-md:px-4">
        <RecordForm key={id} slug={bank.slug} record={record} folders={folders} disabled={!may_write || binned} wide onChange={act} />
        <p className="mt-2 flex flex-wrap gap-x-4 text-caption text-quiet">
          <span>{texts.bank.revision({ n: revision })}</span>
          {specimens > 0 ? (
            <span className={failing > 0 ? 'text-problem' : ''}>{texts.bank.specimens({ good: specimens - failing, all: specimens })}</span>
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
        <Places whole={whole.data} />
        <UsedIn uses={uses} />
      </section>
      {shown === 'log' ? <RecordLog id={id} onClose={() => setShown(null)} /> : null}
      {shown === 'place' ? <PlaceMany slug={bank.slug} target={{ ids: [id] }} count={1} atHome onClose={() => setShown(null)} /> : null}
    </article>
  )
}
