import { type UseQueryOptions, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { Difference, Revision } from '@/api/queries'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Changes } from '@/question/Changes'
import { Button } from '@/ui/Button'
import { Waiting } from '@/ui/Message'

type Opened<Content> = { number: number; content: Content; differences: Difference[] }
// biome-ignore lint/suspicious/noExplicitAny: whatever key the query has
type Ask<Data> = UseQueryOptions<Data, Error, Data, any>
type Props<Content> = {
  /** All of them, and one with what differs from the one before it, or from another. */
  list: Ask<Revision[]>
  one: (number: number, since?: number) => Ask<Opened<Content>>
  newest: number
  onRestore: (content: Content, number: number) => void
}

/** Who saved what, when and why; what changed in each; and any of them back on the desk. */
export function Revisions<Content>({ list, one: ask, newest, onRestore }: Props<Content>) {
  const revisions = useQuery(list)
  const [open, setOpen] = useState<number | null>(null)
  return (
    <section aria-label={texts.revisions.title}>
      <h3 className="font-semibold">{texts.revisions.title}</h3>
      {revisions.isPending ? <Waiting text={texts.loading} /> : null}
      {revisions.isError ? <p className="text-problem">{revisions.error.message}</p> : null}
      <ol>
        {(revisions.data ?? []).map((one) => (
          <li key={one.number} className="border-hairline border-b py-2">
            <button
              type="button"
              className="w-full rounded-ui text-left hover:bg-well"
              aria-expanded={open === one.number}
              onClick={() => setOpen(open === one.number ? null : one.number)}
            >
              <span className="font-semibold">{texts.revisions.one({ n: one.number })}</span>
              {one.number === newest ? <span className="text-quiet"> {texts.revisions.newest}</span> : null}
              {one.note ? <span className="block">{one.note}</span> : null}
              <span className="block text-caption text-quiet">{[one.person, moment(one.at)].filter(Boolean).join(', ')}</span>
            </button>
            {open === one.number ? <OneRevision ask={ask} revision={one} newest={newest} onRestore={onRestore} /> : null}
          </li>
        ))}
      </ol>
    </section>
  )
}

/** What one revision changed, or what has changed since it. */
function OneRevision<Content>({
  ask,
  revision,
  newest,
  onRestore,
}: Pick<Props<Content>, 'newest' | 'onRestore'> & { ask: Props<Content>['one']; revision: Revision }) {
  const { number } = revision
  const [untilNow, setUntilNow] = useState(false)
  const here = useQuery(ask(number))
  const now = useQuery({ ...ask(newest, number), enabled: untilNow })
  const shown = untilNow ? now : here
  const nothing = untilNow ? texts.revisions.sameAsHere : number === 1 ? texts.revisions.first : texts.revisions.same
  if (shown.isPending) return <Waiting text={texts.loading} />
  if (shown.isError) return <p className="text-problem">{shown.error.message}</p>
  return (
    <div className="mt-2 flex flex-col gap-3">
      {number < newest ? (
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="sr-only">{texts.revisions.against}</legend>
          {[false, true].map((which) => (
            <label key={String(which)} className="flex items-center gap-1.5 text-caption">
              <input type="radio" name={`since-${number}`} checked={untilNow === which} onChange={() => setUntilNow(which)} />
              {which ? texts.revisions.since.now : texts.revisions.since.before}
            </label>
          ))}
        </fieldset>
      ) : null}
      {shown.data.differences.length === 0 ? <p className="text-quiet">{nothing}</p> : <Changes differences={shown.data.differences} />}
      {number < newest && here.data ? (
        <p>
          <Button onClick={() => onRestore(here.data.content, number)}>{texts.revisions.restore({ n: number })}</Button>
        </p>
      ) : null}
    </div>
  )
}
