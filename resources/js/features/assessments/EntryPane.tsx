import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { entryQuery, type Pick, varyEntry } from '@/api/assembly'
import { editEntries, entriesOf, isDraw } from '@/lib/assessment'
import { texts } from '@/messages'
import { Changes } from '@/question/Changes'
import { QuestionDetails } from '@/question/details/QuestionDetails'
import { useDetails } from '@/question/details/useDetails'
import { TryPane } from '@/question/try/TryPane'
import { UsedIn } from '@/question/UsedIn'
import { Button } from '@/ui/Button'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { AskWhere } from './AskWhere'
import { Exchange } from './Exchange'
import { Lodge } from './Lodge'
import { EntrySettings } from './settings/EntrySettings'
import type { Document } from './useDocument'

type Props = { document: Document; id: string; mayWrite: boolean; onRemove: (ids: string[]) => void }

/** The question at hand: as it is asked here, what changed since, where else it is used, and where to change it. */
export function EntryPane({ document, id, mayWrite, onRemove }: Props) {
  const { stored, change } = document
  const entry = entriesOf(document.content).find((one) => one.id === id)
  const fact = stored.entries[id]
  const whole = useQuery({
    ...entryQuery(stored.id, id, stored.version),
    enabled: fact !== undefined && (!(fact.gone || fact.hidden) || fact.varied),
  })
  const [asking, setAsking] = useState(false)
  const [doing, setDoing] = useState<'exchange' | 'lodge' | null>(null)
  const details = useDetails()
  const showKey = details.has('key')
  const back = useMutation({ mutationFn: () => varyEntry(stored.id, id, null, stored.version), onSuccess: document.adopt })
  if (!entry || isDraw(entry) || !fact) return <Nothing title={texts.assembly.pickEntry} />
  if ((fact.gone || fact.hidden) && !fact.varied)
    return (
      <div className="flex flex-col gap-3 p-5">
        <h2 className="text-head font-semibold">{fact.hidden ? texts.assembly.hidden : fact.title}</h2>
        <Message look="attention" actions={mayWrite ? <Button onClick={() => onRemove([id])}>{texts.assembly.takeOut}</Button> : null}>
          {fact.hidden ? texts.assembly.hiddenAbout : texts.assembly.goneAbout}
        </Message>
      </div>
    )
  if (whole.isPending) return <Waiting text={texts.loading} />
  if (whole.isError) return <Message look="problem">{whole.error.message}</Message>
  const { question, origin, before, changes, uses } = whole.data
  const set = (edit: (pick: Pick) => Pick) => change((now) => editEntries(now, [id], (one) => (isDraw(one) ? one : edit(one))))
  return (
    <article className="flex flex-col gap-4 p-5">
      <header className="flex flex-wrap items-center gap-2">
        <h2 className="min-w-32 flex-1 text-head font-semibold">{fact.title}</h2>
        <Button aria-pressed={showKey} onClick={() => details.toggle('key')}>
          {showKey ? texts.bank.keyShown : texts.bank.keyHidden}
        </Button>
        {mayWrite ? <Button onClick={() => setAsking(true)}>{texts.assembly.edit}</Button> : null}
        {mayWrite ? <Button onClick={() => setDoing('exchange')}>{texts.assembly.exchange.button}</Button> : null}
        {mayWrite ? <Button onClick={() => onRemove([id])}>{texts.assembly.takeOut}</Button> : null}
      </header>
      {fact.changed && before ? (
        <section aria-label={texts.assembly.newer} className="flex flex-col gap-2 rounded-ui border border-attention bg-attention-tint p-3">
          <p>
            <strong className="text-attention">{texts.assembly.newer}.</strong>
          </p>
          <Changes differences={changes.before ?? []} />
          <details>
            <summary className="cursor-pointer text-accent">{texts.assembly.was}</summary>
            <div className="mt-2 rounded-ui bg-paper p-3">
              <TryPane stored question={before} bank={whole.data.bank ?? ''} showKey />
            </div>
          </details>
          {mayWrite ? (
            <p className="flex flex-wrap gap-2">
              <Button onClick={() => set((one) => ({ ...one, follow: 'pinned', revision: one.seen ?? null }))}>
                {texts.assembly.keep}
              </Button>
              <Button onClick={() => set((one) => ({ ...one, seen: fact.revision }))}>{texts.assembly.takeNew}</Button>
            </p>
          ) : null}
        </section>
      ) : null}
      {fact.varied ? (
        <section aria-label={texts.assembly.varied} className="flex flex-col gap-2 rounded-ui border border-hairline p-3">
          <p>
            <strong className="text-information">{texts.assembly.varied}.</strong>
          </p>
          <Changes differences={changes.origin ?? []} />
          {mayWrite ? (
            <p className="flex flex-wrap gap-2">
              {origin ? <Button onClick={() => back.mutate()}>{texts.assembly.asBank}</Button> : null}
              <Button onClick={() => setDoing('lodge')}>{texts.assembly.lodge.button}</Button>
            </p>
          ) : null}
        </section>
      ) : null}
      {entry.follow === 'pinned' && mayWrite ? (
        <p className="flex flex-wrap items-center gap-2">
          <span className="flex-1">{texts.assembly.pinned({ n: entry.revision ?? 0 })}</span>
          <Button onClick={() => set(({ follow: _, revision: __, ...one }) => ({ ...one, seen: fact.revision }))}>
            {texts.assembly.follow}
          </Button>
        </p>
      ) : null}
      <EntrySettings document={document} entry={entry} fact={fact} mayWrite={mayWrite} />
      <TryPane
        stored={!fact.varied}
        key={`${id} ${stored.version}`}
        question={question}
        bank={whole.data.bank ?? ''}
        showKey={showKey}
        showFeedback={details.has('feedback')}
      />
      <QuestionDetails facts={fact} />
      <UsedIn uses={uses} here={stored.id} />
      {doing === 'exchange' ? (
        <Exchange document={document} entry={entry} title={fact.title} whole={whole.data} onClose={() => setDoing(null)} />
      ) : null}
      {doing === 'lodge' ? <Lodge document={document} entry={entry} whole={whole.data} onClose={() => setDoing(null)} /> : null}
      {asking ? (
        <AskWhere
          assessment={stored.id}
          entry={id}
          question={entry.question}
          whole={whole.data}
          here={stored.title}
          onClose={() => setAsking(false)}
        />
      ) : null}
    </article>
  )
}
