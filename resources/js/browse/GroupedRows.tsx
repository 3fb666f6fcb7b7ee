import { useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { type KeyboardEvent, useEffect, useState } from 'react'
import { banksQuery, facetsQuery, questionsQuery, type Trees } from '@/api/queries'
import type { QuestionRow } from '@/api/schema'
import { number } from '@/lib/format'
import type { Selection } from '@/lib/useSelection'
import { texts } from '@/messages'
import { QuestionListRow, useRowHeight } from '@/question/QuestionListRow'
import { pathsOf } from '@/question/record/paths'
import { Button } from '@/ui/Button'
import type { Filter } from './useFilter'

type Props = {
  slug: string
  filter: Filter
  trees: Trees | undefined
  active: string | undefined
  selection: Selection
  taken: Set<string>
  onOpen: (row: QuestionRow) => void
}
type Group = { key: string; title: string; count: number; query: string }

/** What meets the filter, by where it lives: every place with its number, opened one by one. */
export function GroupedRows(props: Props) {
  const { slug, filter, trees } = props
  const over = slug === '' ? 'bank' : 'place'
  const counts = useQuery(facetsQuery(slug, filter.query, slug === '' ? ['bank'] : ['place', 'no'])).data?.facets
  const banks = useQuery({ ...banksQuery, enabled: slug === '' }).data ?? []
  const [shut, setShut] = useState<string[] | null>(null)
  // One stop of the Tab key: what the arrows came to last, or else the first heading.
  const [at, setAt] = useState<string | null>(null)
  const and = (name: string, value: string) =>
    [filter.query, new URLSearchParams({ [name]: value }).toString()].filter((one) => one !== '').join('&')
  const found = counts?.[over] ?? []
  const paths = new Map(pathsOf(trees?.folders ?? []))
  const order = slug === '' ? banks.map((bank) => bank.slug) : [...paths.keys()]
  const none = slug === '' ? 0 : (counts?.no?.find((one) => one.value === 'folder')?.count ?? 0)
  const groups: Group[] = [
    ...[...found]
      .sort((a, b) => order.indexOf(a.value) - order.indexOf(b.value))
      .map(({ value, count, name }) => ({
        key: value,
        title: name ?? paths.get(value)?.join(' › ') ?? '…',
        count,
        query: and(over, value),
      })),
    ...(none > 0 ? [{ key: 'none', title: texts.bank.inNoFolder, count: none, query: and('no', 'folder') }] : []),
  ]
  // A few are open from the start; many are an overview first.
  const closed = shut ?? (groups.length > 6 ? groups.map((group) => group.key) : [])
  const toggle = (key: string) => setShut(closed.includes(key) ? closed.filter((one) => one !== key) : [...closed, key])
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: arrows walk between the buttons, which have the keys
    <div className="h-full overflow-y-auto" onKeyDown={walk}>
      {groups.map((group) => {
        const open = !closed.includes(group.key)
        return (
          <section key={group.key} aria-label={group.title}>
            <h2 className="sticky top-0 z-10 border-hairline border-b bg-well">
              <button
                type="button"
                data-walk={group.key}
                tabIndex={(at ?? groups[0]?.key) === group.key ? 0 : -1}
                onFocus={() => setAt(group.key)}
                aria-expanded={open}
                className="-outline-offset-2 flex min-h-9 w-full items-center gap-2 px-3 text-left"
                onClick={() => toggle(group.key)}
              >
                <span aria-hidden="true" className="text-quiet">
                  {open ? '▾' : '▸'}
                </span>
                <span className="min-w-0 flex-1 truncate font-semibold">{group.title}</span>
                <span className="text-caption text-second">{number(group.count)}</span>
              </button>
            </h2>
            {open ? <GroupRows {...props} group={group} at={at} onAt={setAt} /> : null}
          </section>
        )
      })}
    </div>
  )
}

/** Arrow keys go from heading to row to row, and what is arrived at is read at once. */
function walk(event: KeyboardEvent<HTMLElement>) {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by === undefined || event.altKey) return
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-walk]')]
  const to = all[all.indexOf(document.activeElement as HTMLElement) + by]
  if (!to) return
  event.preventDefault()
  to.focus()
}

type GroupProps = Props & { group: Group; at: string | null; onAt: (key: string) => void }

function GroupRows({ slug, group, filter, active, selection, taken, onOpen, at, onAt }: GroupProps) {
  const pages = useInfiniteQuery(questionsQuery(slug, group.query))
  const rows = pages.data?.pages.flatMap((page) => page.data) ?? []
  const missing = group.count - rows.length
  const height = useRowHeight()
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever other rows are in sight
  useEffect(() => selection.see(rows), [pages.data])
  return (
    <>
      <ul aria-label={group.title}>
        {rows.map((row) => (
          <li key={row.id} style={{ height }} className="relative">
            <button
              type="button"
              tabIndex={-1}
              aria-label={texts.bank.select({ title: row.title })}
              aria-pressed={selection.ids.includes(row.id)}
              className="absolute top-0 left-0 z-[1] h-10 w-10 rounded-ui"
              onClick={() => selection.toggle(row.id, row)}
            />
            <button
              type="button"
              data-walk={`${group.key} ${row.id}`}
              tabIndex={at === `${group.key} ${row.id}` ? 0 : -1}
              aria-current={row.id === active ? 'true' : undefined}
              onFocus={() => {
                onAt(`${group.key} ${row.id}`)
                if (row.id !== active) filter.setQuestion(row.id)
              }}
              onKeyDown={(event) => {
                if (event.key === ' ') {
                  event.preventDefault()
                  selection.toggle(row.id, row)
                } else if (event.key === 'Enter') {
                  event.preventDefault()
                  onOpen(row)
                }
              }}
              className="-outline-offset-2 block h-full w-full cursor-pointer text-left"
              onClick={() => filter.setQuestion(row.id)}
              onDoubleClick={() => onOpen(row)}
            >
              <QuestionListRow row={row} active={row.id === active} selected={selection.ids.includes(row.id)} taken={taken.has(row.id)} />
            </button>
          </li>
        ))}
      </ul>
      {pages.hasNextPage ? (
        <Button look="quiet" className="w-full" onClick={() => pages.fetchNextPage()}>
          {texts.bank.moreOf({ n: missing })}
        </Button>
      ) : null}
    </>
  )
}
