import { useState } from 'react'
import { Link } from 'react-router'
import type { BankComparison } from '@/api/compare'
import { texts } from '@/messages'
import { Changes } from '@/question/Changes'
import { Button } from '@/ui/Button'

const words = texts.compare
type Row = BankComparison['only_here'][number]

function usePicked(all: string[]) {
  const [picked, setPicked] = useState<string[]>([])
  const toggle = (id: string) => setPicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))
  return { picked: picked.filter((id) => all.includes(id)), toggle, all: () => setPicked(picked.length === all.length ? [] : all) }
}

type Props = {
  title: string
  rows: Row[]
  isLinked: boolean
  act: { title: (n: number) => string; run: (ids: string[]) => void } | undefined
}

/** Questions that only one side has, to be selected and brought over. */
export function ComparedList({ title, rows, isLinked, act }: Props) {
  const { picked, toggle, all } = usePicked(rows.map((row) => row.id))
  if (rows.length === 0) return null
  return (
    <section aria-label={title} className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="font-semibold">
          {title} <span className="font-normal text-second tabular-nums">{rows.length}</span>
        </h2>
        {act ? (
          <>
            <Button look="quiet" onClick={all}>
              {words.all}
            </Button>
            {picked.length > 0 ? <Button onClick={() => act.run(picked)}>{act.title(picked.length)}</Button> : null}
          </>
        ) : null}
      </div>
      <ul className="max-h-96 overflow-y-auto rounded-ui border border-hairline bg-paper">
        {rows.map((row) => (
          <li key={row.id} className="flex items-center gap-3 border-hairline border-b px-3 py-1 last:border-b-0">
            {act ? (
              <input
                type="checkbox"
                className="size-4 accent-accent"
                aria-label={words.select({ title: row.title })}
                checked={picked.includes(row.id)}
                onChange={() => toggle(row.id)}
              />
            ) : null}
            {isLinked ? (
              <Link className="min-w-0 flex-1 truncate hover:underline" to={`/questions/${row.id}`}>
                {row.title}
              </Link>
            ) : (
              <span className="min-w-0 flex-1 truncate">{row.title}</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}

type DifferingProps = { found: BankComparison; onTake: ((pairs: { here: string; there: string }[]) => void) | undefined }

/** Pairs that differ, each with what differs in words. */
export function DifferingList({ found, onTake }: DifferingProps) {
  const rows = found.differing
  const { picked, toggle, all } = usePicked(rows.map((row) => row.here.id))
  if (rows.length === 0) return null
  const pairs = rows.filter((row) => picked.includes(row.here.id)).map((row) => ({ here: row.here.id, there: row.there.id }))
  return (
    <section aria-label={words.differing} className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="font-semibold">
          {words.differing} <span className="font-normal text-second tabular-nums">{found.differ}</span>
        </h2>
        {onTake ? (
          <>
            <Button look="quiet" onClick={all}>
              {words.all}
            </Button>
            {pairs.length > 0 ? <Button onClick={() => onTake(pairs)}>{words.takeAll({ n: pairs.length })}</Button> : null}
          </>
        ) : null}
      </div>
      <ul className="flex flex-col gap-2">
        {rows.map((row) => (
          <li key={row.here.id} className="rounded-ui border border-hairline bg-paper p-3">
            <div className="mb-2 flex items-center gap-3">
              {onTake ? (
                <input
                  type="checkbox"
                  className="size-4 accent-accent"
                  aria-label={words.select({ title: row.here.title })}
                  checked={picked.includes(row.here.id)}
                  onChange={() => toggle(row.here.id)}
                />
              ) : null}
              <Link className="min-w-0 flex-1 truncate font-semibold hover:underline" to={`/questions/${row.here.id}`}>
                {row.here.title}
              </Link>
              <span className="text-caption text-second">{words.by[row.by as keyof typeof words.by]}</span>
            </div>
            <Changes differences={row.changes} />
          </li>
        ))}
      </ul>
      {found.differ > rows.length ? <p className="text-second">{words.more({ n: found.differ - rows.length })}</p> : null}
    </section>
  )
}
