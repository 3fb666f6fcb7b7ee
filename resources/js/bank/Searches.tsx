import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { keepSearch, removeSearch, type SavedSearch, searchesQuery } from '@/api/searches'
import { Button } from '@/components/Button'
import { Field } from '@/components/Field'
import { FormDialog } from '@/components/FormDialog'
import { useTell } from '@/components/Toasts'
import { texts } from '@/texts'
import type { Filter } from './useFilter'

const words = texts.bank.searches

/** Searches that were given a name, and a way to give the one on the screen a name. */
export function Searches({ slug, filter, mayWrite }: { slug: string; filter: Filter; mayWrite: boolean }) {
  const searches = useQuery(searchesQuery(slug))
  const client = useQueryClient()
  const tell = useTell()
  const [keeping, setKeeping] = useState(false)
  const again = () => client.invalidateQueries({ queryKey: searchesQuery(slug).queryKey })
  const remove = useMutation({
    mutationFn: (one: SavedSearch) => removeSearch(one.id),
    onSuccess: (_, one) => {
      again()
      tell({ text: words.removed(one.name), ...(one.person ? {} : { undo: () => keepSearch(slug, one).then(again) }) })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const rows = searches.data ?? []
  if (rows.length === 0 && !filter.any) return null
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
                to={`/banks/${slug}?${one.filter}`}
                aria-current={here ? 'true' : undefined}
                className={`-outline-offset-2 min-h-7 min-w-0 flex-1 truncate py-1 pl-3 ${here ? 'font-semibold' : ''}`}
                title={one.person ? words.sharedBy(one.name, one.person) : one.name}
              >
                {one.name}
                {one.shared ? <span className="text-caption text-quiet"> {one.person ?? words.shared}</span> : null}
              </Link>
              {one.may_remove ? (
                <Button
                  look="quiet"
                  className="!px-1 !min-h-7"
                  aria-label={words.remove(one.name)}
                  title={words.remove(one.name)}
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
  const tell = useTell()
  const keep = useMutation({
    mutationFn: () => keepSearch(slug, { name, filter, shared }),
    onSuccess: () => {
      onKept()
      tell({ text: words.kept(name.trim()) })
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
