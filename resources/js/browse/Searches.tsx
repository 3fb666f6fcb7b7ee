import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Trees } from '@/api/queries'
import { keepSearch, removeSearch, type SavedSearch, searchesQuery } from '@/api/searches'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import { conditionName } from './Chips'
import { type Dimension, dimensions } from './filterQuery'
import type { Filter } from './useFilter'
import { useRecent } from './useRecent'

const words = texts.bank.searches

/** The conditions of a search in a few words. */
export function inWords(query: string, trees: Trees | undefined, names: Record<string, string> = {}): string {
  const said: string[] = []
  for (const [name, value] of new URLSearchParams(query)) {
    if (name === 'sort') continue
    const plain = name.replace(/^not-/, '')
    // Of a person or a stimulus the address has no name.
    if (names[value]) {
      const what = `${texts.bank.dimensions[plain] ?? plain} ${names[value]}`
      said.push(name === plain ? what : texts.bank.not({ what }))
    } else if (name === 'by' || name === 'editor' || name === 'stimulus') said.push(texts.bank.dimensions[name] ?? name)
    else if (name === 'words') said.push(`“${value}”`)
    else if (name.startsWith('not-')) said.push(texts.bank.not({ what: conditionName(name.slice(4) as Dimension, value, trees) }))
    else
      said.push(
        dimensions.includes(name as Dimension)
          ? conditionName(name as Dimension, value, trees)
          : `${texts.bank.dimensions[name] ?? name} ${value}`,
      )
  }
  return said.join(', ')
}

type Props = {
  slug: string
  filter: Filter
  trees: Trees | undefined
  mayWrite: boolean
  /** Where a search is shown. */
  to: (query: string) => string
}

/** Searches that were given a name, and a way to give the one on the screen a name. */
export function Searches({ slug, filter, trees, mayWrite, to }: Props) {
  const searches = useQuery(searchesQuery(slug))
  const client = useQueryClient()
  const tell = useToast()
  const [keeping, setKeeping] = useState(false)
  const again = () => client.invalidateQueries({ queryKey: searchesQuery(slug).queryKey })
  const remove = useMutation({
    mutationFn: (one: SavedSearch) => removeSearch(one.id),
    onSuccess: (_, one) => {
      again()
      tell({ text: words.removed({ name: one.name }), ...(one.person ? {} : { undo: () => keepSearch(slug, one).then(again) }) })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const rows = searches.data ?? []
  const recent = useRecent(slug, filter.query).filter((query) => query !== filter.query && !rows.some((one) => one.filter === query))
  if (rows.length === 0 && recent.length === 0 && !filter.any) return null
  return (
    <section aria-label={words.title} className="flex-none border-hairline border-t py-1">
      <h2 className="px-4 py-1 text-caption text-quiet">{words.title}</h2>
      <ul className="max-h-36 overflow-y-auto">
        {rows.map((one) => {
          const here = one.filter === filter.query
          return (
            <li
              key={one.id}
              className={`flex items-center border-l-3 ${here ? 'border-accent bg-paper' : 'border-transparent hover:bg-paper'}`}
            >
              <Link
                to={to(one.filter)}
                aria-current={here ? 'true' : undefined}
                className={`-outline-offset-2 min-h-7 min-w-0 flex-1 truncate py-1 pl-3 ${here ? 'font-semibold' : ''}`}
                title={one.person ? words.sharedBy({ name: one.name, person: one.person }) : one.name}
              >
                {one.name}
                {one.shared ? <span className="text-caption text-quiet"> {one.person ?? words.shared}</span> : null}
              </Link>
              {one.may_remove ? (
                <Button
                  look="quiet"
                  className="!px-1 !min-h-7"
                  aria-label={words.remove({ name: one.name })}
                  title={words.remove({ name: one.name })}
                  onClick={() => remove.mutate(one)}
                >
                  <X size={14} aria-hidden="true" />
                </Button>
              ) : null}
            </li>
          )
        })}
      </ul>
      {filter.any && !rows.some((one) => one.filter === filter.query) ? (
        <Button look="quiet" className="!px-4" onClick={() => setKeeping(true)}>
          {words.keep}
        </Button>
      ) : null}
      {recent.length > 0 ? (
        <details className="px-4 py-1">
          <summary className="min-h-6 cursor-pointer text-caption text-quiet">{words.recent}</summary>
          <ul className="max-h-36 overflow-y-auto">
            {recent.map((query) => (
              <li key={query} className="hover:bg-paper">
                <Link to={to(query)} className="-outline-offset-2 block min-h-7 truncate py-1" title={inWords(query, trees)}>
                  {inWords(query, trees)}
                </Link>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      {keeping ? (
        <KeepSearch slug={slug} filter={filter.query} mayShare={mayWrite} onKept={again} onClose={() => setKeeping(false)} />
      ) : null}
    </section>
  )
}

type KeepProps = { slug: string; filter: string; mayShare: boolean; onKept: () => void; onClose: () => void }

function KeepSearch({ slug, filter, mayShare, onKept, onClose }: KeepProps) {
  const [name, setName] = useState('')
  const [shared, setShared] = useState(false)
  const tell = useToast()
  const keep = useMutation({
    mutationFn: () => keepSearch(slug, { name, filter, shared }),
    onSuccess: () => {
      onKept()
      tell({ text: words.kept({ name: name.trim() }) })
      onClose()
    },
  })
  return (
    <FormDialog
      onClose={onClose}
      title={words.keep}
      about={words.about}
      go={words.keepGo}
      disabled={keep.isPending}
      onSubmit={() => keep.mutate()}
    >
      <Field.Root problem={keep.error?.message ?? null}>
        <Field.Label>{words.name}</Field.Label>
        <Field.Text autoFocus maxLength={200} value={name} onChange={(event) => setName(event.target.value)} />
      </Field.Root>
      {mayShare ? (
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={shared} onChange={(event) => setShared(event.target.checked)} />
          {words.share}
        </label>
      ) : null}
    </FormDialog>
  )
}
