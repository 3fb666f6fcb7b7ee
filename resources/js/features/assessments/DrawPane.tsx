import { useQuery } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { useState } from 'react'
import { type Draw, drawQuery } from '@/api/assembly'
import { dissolved, isList, poolOf, sourcesOf, unasked, withDraw } from '@/lib/assessment'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Message, Waiting } from '@/ui/Message'
import { DrawSources } from './DrawSources'
import { EntrySettings } from './settings/EntrySettings'
import type { Document } from './useDocument'

type Props = {
  document: Document
  draw: Draw
  mayWrite: boolean
  onRemove: (ids: string[]) => void
  /** Shows what conditions find in the list one takes from. */
  onShow: (bank: string, query: string) => void
}

/** How many are drawn, what each is worth, and what they are drawn from. */
export function DrawPane({ document, draw, mayWrite, onRemove, onShow }: Props) {
  const { stored, change } = document
  const [seed, setSeed] = useState(0)
  const pool = useQuery(drawQuery(stored.id, draw.id, stored.version, Math.max(1, seed)))
  const listed = poolOf(draw)
  const grows = sourcesOf(draw).some((source) => source.conditions && !source.pool)
  // what was taken out of a list a moment ago is not shown until the server has answered
  const rows = (pool.data?.pool ?? []).filter((row) => grows || listed.includes(row.id))
  const size = grows ? (stored.entries[draw.id]?.pool ?? rows.length) : rows.length
  const drawn = new Set(seed > 0 ? pool.data?.drawn : [])
  const findings = stored.entries[draw.id]?.findings ?? []
  const set = (edit: Parameters<typeof withDraw>[2], what?: string) => change((now) => withDraw(now, draw.id, edit), what)
  return (
    <article className="flex flex-col gap-4 p-5">
      <header className="flex flex-wrap items-start gap-2">
        <div className="w-full">
          <input
            aria-label={texts.assembly.drawName}
            placeholder={texts.assembly.drawName}
            value={draw.title ?? ''}
            maxLength={500}
            disabled={!mayWrite}
            onChange={(event) => set({ title: event.target.value }, `title ${draw.id}`)}
            className="-ml-1 w-full rounded-ui border border-transparent bg-transparent px-1 py-0.5 text-head font-semibold placeholder:text-quiet hover:border-edge focus:bg-paper"
          />
          <p className="text-second">{texts.assembly.drawAbout}</p>
        </div>
        {mayWrite ? (
          <>
            <Button onClick={() => change((now) => dissolved(now, draw.id, (pool.data?.sources ?? []).flat()))}>
              {texts.assembly.dissolve}
            </Button>
            <Button onClick={() => onRemove([draw.id])}>{texts.assembly.takeOut}</Button>
          </>
        ) : null}
      </header>
      <div className="flex flex-wrap gap-4">
        <label className="flex flex-col gap-1">
          <span className="text-caption text-second">{texts.assembly.drawPoints}</span>
          <input
            type="number"
            min={0}
            max={100000}
            step="any"
            value={draw.points ?? ''}
            placeholder={texts.assembly.drawOwnPoints}
            disabled={!mayWrite}
            onChange={(event) => set({ points: event.target.value === '' ? null : Number(event.target.value) }, `points ${draw.id}`)}
            className={`${control} w-28`}
          />
        </label>
      </div>
      <DrawSources document={document} draw={draw} mayWrite={mayWrite} pools={pool.data?.sources ?? []} onShow={onShow} />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          disabled={!mayWrite}
          checked={draw.apart ?? false}
          onChange={(event) => set({ apart: event.target.checked })}
        />
        {texts.assembly.sources.apart}
      </label>
      {findings.map((said) => (
        <Message key={said} look="attention">
          {said}
        </Message>
      ))}
      {mayWrite && stored.entries[draw.id]?.overlaps && !draw.apart ? (
        <p>
          <Button onClick={() => set({ apart: true })}>{texts.assembly.sources.overlapMend}</Button>
        </p>
      ) : null}
      <EntrySettings document={document} entry={draw} fact={stored.entries[draw.id]} mayWrite={mayWrite} />
      {pool.isError ? <Message look="problem">{pool.error.message}</Message> : null}
      {pool.isPending ? <Waiting text={texts.loading} /> : null}
      <section aria-label={texts.assembly.drawPool({ n: size })} className="flex flex-col gap-2">
        <div className="flex flex-wrap items-center gap-2">
          <h2 className="flex-1 font-semibold">{texts.assembly.drawPool({ n: size })}</h2>
          <span role="status" className="text-second">
            {seed > 0 ? texts.assembly.drawNow({ n: drawn.size }) : ''}
          </span>
          {rows.length > 0 ? (
            <Button onClick={() => setSeed((now) => now + 1)}>{seed === 0 ? texts.assembly.drawOnce : texts.assembly.drawAgain}</Button>
          ) : null}
        </div>
        {pool.data && rows.length === 0 ? <p className="text-quiet">{texts.assembly.drawEmpty}</p> : null}
        <ul className="divide-y divide-hairline border-hairline border-y">
          {rows.map((row) => (
            <li
              key={row.id}
              className={`flex items-start gap-2 border-l-3 px-2 py-1.5 ${drawn.has(row.id) ? 'border-l-information bg-well' : 'border-l-transparent'}`}
            >
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold">{row.title}</span>
                <span className="flex flex-wrap gap-x-2 text-caption text-second">
                  {drawn.has(row.id) ? <strong className="text-information">{texts.assembly.inDrawing}</strong> : null}
                  <span>{kindWords(row.kinds)}</span>
                  <span>{texts.points({ n: row.points })}</span>
                  {seed > 0 ? (
                    <span title={texts.assembly.sources.oftenAbout}>{texts.assembly.sources.often({ n: row.often })}</span>
                  ) : null}
                  {row.bank !== stored.bank.slug ? <span className="text-quiet">{row.bank_name}</span> : null}
                </span>
              </span>
              {mayWrite && (isList(draw) || listed.includes(row.id)) ? (
                <Button
                  look="quiet"
                  className="!min-h-7 !px-1"
                  aria-label={texts.assembly.outOfPool({ title: row.title })}
                  title={texts.assembly.outOfPool({ title: row.title })}
                  onClick={() => change((now) => unasked(now, row.id))}
                >
                  <X size={16} aria-hidden="true" />
                </Button>
              ) : null}
            </li>
          ))}
        </ul>
        {size > rows.length ? <p className="text-quiet">{texts.assembly.sources.more({ n: size - rows.length })}</p> : null}
      </section>
    </article>
  )
}
