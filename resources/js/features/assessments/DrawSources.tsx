import { useQuery } from '@tanstack/react-query'
import { MoreHorizontal } from 'lucide-react'
import type { Draw, DrawSource, Fact } from '@/api/assembly'
import { banksQuery } from '@/api/queries'
import { queryOf } from '@/browse/filterQuery'
import { inWords } from '@/browse/Searches'
import { sourcesOf, withSources } from '@/lib/assessment'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { Menu } from '@/ui/Menu'
import type { Document } from './useDocument'

const words = texts.assembly.sources

type Props = {
  document: Document
  draw: Draw
  mayWrite: boolean
  /** The questions each source has now. */
  pools: string[][]
  /** Shows what conditions find in the list one takes from. */
  onShow: (bank: string, query: string) => void
}

/** What a draw draws from: so many of each source, with what it finds now. */
export function DrawSources({ document, draw, mayWrite, pools, onShow }: Props) {
  const fact = document.stored.entries[draw.id]
  const sources = sourcesOf(draw)
  const set = (at: number, edit: (one: DrawSource) => DrawSource | null, what?: string) =>
    document.change(
      (now) =>
        withSources(now, draw.id, (from) =>
          from.flatMap((one, i) => {
            const next = i === at ? edit(one) : one
            return next === null ? [] : [next]
          }),
        ),
      what,
    )
  return (
    <section aria-label={words.from} className="flex flex-col gap-2">
      <h2 className="font-semibold">{words.from}</h2>
      <ul className="flex flex-col divide-y divide-hairline border-hairline border-y">
        {sources.map((source, at) => (
          <Source
            // biome-ignore lint/suspicious/noArrayIndexKey: a source has no other name
            key={at}
            source={source}
            at={at}
            several={sources.length > 1}
            fact={fact?.sources?.[at]}
            mayWrite={mayWrite}
            pool={pools[at] ?? []}
            onShow={onShow}
            onCount={(n) => set(at, (one) => ({ ...one, draw: n }), `source ${draw.id} ${at}`)}
            onFreeze={() => set(at, (one) => ({ ...one, pool: pools[at] ?? [] }))}
            onGrow={() => set(at, ({ pool: _, ...one }) => one)}
            onRemove={() => set(at, () => null)}
          />
        ))}
      </ul>
    </section>
  )
}

type SourceProps = {
  source: DrawSource
  at: number
  several: boolean
  fact: NonNullable<Fact['sources']>[number] | undefined
  mayWrite: boolean
  pool: string[]
  onShow: (bank: string, query: string) => void
  onCount: (n: number) => void
  onFreeze: () => void
  onGrow: () => void
  onRemove: () => void
}

function Source({ source, at, several, fact, mayWrite, pool, onShow, onCount, onFreeze, onGrow, onRemove }: SourceProps) {
  const banks = useQuery(banksQuery).data ?? []
  const frozen = source.conditions !== undefined && source.pool !== undefined
  const query = queryOf(source.conditions ?? {})
  const slugs = banks.filter((bank) => source.banks?.includes(bank.id)).map((bank) => bank.slug)
  const said = source.conditions ? inWords(query, undefined, fact?.names ?? {}) || words.everything : words.byHand
  const title = source.title || (several ? words.part({ n: at + 1 }) : said)
  return (
    <li className="flex items-start gap-3 py-2">
      <label className="flex flex-none flex-col gap-1">
        <span className="text-caption text-second">{texts.assembly.drawCount}</span>
        <input
          type="number"
          aria-label={several ? words.count({ title }) : texts.assembly.drawCount}
          min={1}
          max={2000}
          value={source.draw}
          disabled={!mayWrite}
          onChange={(event) => {
            const n = Math.round(Number(event.target.value))
            if (n >= 1 && n <= 2000) onCount(n)
          }}
          className={`${control} w-24`}
        />
      </label>
      <div className="min-w-0 flex-1 pt-5">
        <p className="break-words">
          {source.title ? <strong>{source.title}: </strong> : null}
          {fact && !fact.open ? words.closed : said}
          {fact && fact.banks.length > 0 ? <span className="text-second"> {words.in({ banks: list(fact.banks) })}</span> : null}
        </p>
        <p className="text-caption text-second" role="status">
          <strong>{frozen ? words.frozenAt({ n: fact?.pool ?? pool.length }) : words.now({ n: fact?.pool ?? pool.length })}</strong>
          {source.conditions && !frozen ? ` · ${words.grows}` : ''}
        </p>
      </div>
      {mayWrite && (source.conditions || several) ? (
        <Menu.Root
          align="end"
          button={
            <Button look="quiet" className="!min-h-7 !px-1" aria-label={`${texts.bank.more}: ${title}`}>
              <MoreHorizontal size={16} aria-hidden="true" />
            </Button>
          }
        >
          {source.conditions && fact?.open !== false ? (
            <>
              <Menu.Item onSelect={() => onShow(slugs.length === 1 ? (slugs[0] ?? '') : '', query)}>{words.show}</Menu.Item>
              {frozen ? <Menu.Item onSelect={onGrow}>{words.grow}</Menu.Item> : <Menu.Item onSelect={onFreeze}>{words.freeze}</Menu.Item>}
            </>
          ) : null}
          {several ? <Menu.Item onSelect={onRemove}>{words.remove}</Menu.Item> : null}
        </Menu.Root>
      ) : null}
    </li>
  )
}
