import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { othersQuery, type Pick, type WholeEntry } from '@/api/assembly'
import { questionQuery } from '@/api/queries'
import { editEntries, isDraw } from '@/lib/assessment'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { TryPane } from '@/question/try/TryPane'
import { Asked } from '@/ui/Asked'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Waiting } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import type { Document } from './useDocument'

const words = texts.assembly.exchange

type Props = { document: Document; entry: Pick; title: string; whole: WholeEntry; onClose: () => void }

/** Other questions that could stand in the place of one, the nearest first, beside it; a digit takes one. */
export function Exchange({ document, entry, title, whole, onClose }: Props) {
  const { stored } = document
  const tell = useToast()
  const others = useQuery(othersQuery(stored.id, entry.id, stored.version))
  const rows = others.data ?? []
  const [chosen, setChosen] = useState<string | null>(null)
  const shown = rows.find((row) => row.id === chosen) ?? rows[0]
  const other = useQuery({ ...questionQuery(shown?.id ?? ''), enabled: shown !== undefined })
  const take = (row: (typeof rows)[number]) => {
    // Its place, its points and its settings stay; what was said of the old question goes.
    document.change((now) =>
      editEntries(now, [entry.id], (one) => {
        if (isDraw(one)) return one
        const { variation: _, revision: __, stimuli: ___, follow: ____, ...rest } = one
        return { ...rest, question: row.id, seen: row.revision }
      }),
    )
    tell({ text: words.done({ before: title, after: row.title }), undo: document.undo })
    onClose()
  }
  const keys = useRef<(event: KeyboardEvent) => void>(() => {})
  keys.current = (event) => {
    const row = rows[Number(event.key) - 1]
    if (!row || event.ctrlKey || event.altKey || event.metaKey || isTyped(event.target)) return
    event.preventDefault()
    take(row)
  }
  useEffect(() => {
    const listen = (event: KeyboardEvent) => keys.current(event)
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [])
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={words.title({ title })}
      about={words.about}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button look="primary" aria-disabled={shown === undefined} onClick={() => (shown ? take(shown) : undefined)}>
            {words.take}
          </Button>
        </>
      }
    >
      <div className="grid grid-cols-[270px_1fr_1fr] items-start gap-5 max-md:grid-cols-1">
        <div className="min-w-0">
          <Asked query={others} />
          {others.data && rows.length === 0 ? <p>{words.none}</p> : null}
          <ol className="flex flex-col divide-y divide-hairline border-hairline border-y">
            {rows.map((row, i) => (
              <li key={row.id}>
                <button
                  type="button"
                  aria-pressed={row.id === shown?.id}
                  aria-keyshortcuts={String(i + 1)}
                  className={`-outline-offset-2 flex w-full items-start gap-3 border-l-3 px-2 py-1.5 text-left ${
                    row.id === shown?.id ? 'border-l-accent bg-well' : 'border-l-transparent hover:bg-well'
                  }`}
                  onClick={() => setChosen(row.id)}
                  onDoubleClick={() => take(row)}
                >
                  <kbd className="flex-none rounded-ui border border-edge px-1.5 text-caption">{i + 1}</kbd>
                  <span className="min-w-0 flex-1">
                    <span className="block truncate font-semibold">{row.title || row.stem}</span>
                    <span className="flex flex-wrap gap-x-2 text-caption text-second">
                      <span>{kindWords(row.kinds)}</span>
                      <span>{texts.points({ n: row.points })}</span>
                      {row.difficulty === null ? null : <span>{texts.bank.difficulty({ n: row.difficulty })}</span>}
                      {row.bank !== stored.bank.slug ? <span className="text-quiet">{row.bank_name}</span> : null}
                      <span className={row.differs.length === 0 ? 'text-accent' : 'text-attention'}>
                        {row.differs.length === 0
                          ? words.same
                          : words.other({ what: list(row.differs.map((one) => words.demands[one] ?? one)) })}
                      </span>
                    </span>
                  </span>
                </button>
              </li>
            ))}
          </ol>
        </div>
        {shown ? (
          <>
            <section aria-label={words.now} className="min-w-0">
              <h3 className="pb-2 font-semibold text-second">{words.now}</h3>
              <TryPane stored={!whole.varied} question={whole.question} bank={whole.bank ?? ''} showKey />
            </section>
            <section aria-label={words.instead} className="min-w-0">
              <h3 className="pb-2 font-semibold text-second">{words.instead}</h3>
              {other.data ? (
                <TryPane key={shown.id} stored question={other.data.question} bank={other.data.bank.slug} showKey />
              ) : (
                <Waiting text={texts.loading} />
              )}
            </section>
          </>
        ) : null}
      </div>
    </Dialog>
  )
}

const isTyped = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
