import { useInfiniteQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { changeMany, placesQuery, type Target } from '@/api/acts'
import { placesFound } from '@/lib/phrases/acts'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { placeInQuestion } from '@/question/placeInQuestion'
import { Button } from '@/ui/Button'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { MaybeFollow } from './MaybeFollow'
import { ReplaceFields, ReplacePlace } from './ReplaceFields'
import { useMany } from './useMany'

const words = texts.acts.replace
/** So many places are looked for by themselves; further ones on request. */
const BY_ITSELF = 1000

/** Words found in many questions, every place seen before any is changed. */
export function ReplaceMany({ slug, target, count, onClose }: { slug: string; target: Target; count: number; onClose: () => void }) {
  const [wish, setWish] = useState({ find: '', with: '', case: false, whole: true })
  const [left, setLeft] = useState<Record<string, number[]>>({})
  const asked = useDebouncedValue({ find: wish.find, with: '', case: wish.case, whole: wish.whole }, 300)
  const some = asked.find.trim() !== ''
  // What is shown is not yet what was asked for last.
  const stale = asked.find !== wish.find || asked.case !== wish.case || asked.whole !== wish.whole
  const found = useInfiniteQuery({ ...placesQuery(slug, target, asked), enabled: some })
  const pages = some ? (found.data?.pages ?? []) : []
  const questions = pages.flatMap((page) => page.questions)
  const at = questions.reduce((sum, one) => sum + one.places.length, 0)
  const looked = pages.reduce((sum, page) => sum + page.looked, 0)
  const skipped = Object.values(left).reduce((sum, some) => sum + some.length, 0)
  const { hasNextPage, isFetching, fetchNextPage } = found
  useEffect(() => {
    if (hasNextPage && !isFetching && at < BY_ITSELF) fetchNextPage()
  }, [hasNextPage, isFetching, at, fetchNextPage])
  const skip = Object.entries(left)
    .filter(([, places]) => places.length > 0)
    .map(([id, places]) => ({ id, places }))
  // What was not looked through is not changed unseen.
  const seen: Target = hasNextPage ? { ids: questions.map((one) => one.id) } : target
  const many = useMany(() => changeMany(slug, seen, { content: { replace: { ...wish, skip } } }), onClose)
  const set = (change: Partial<typeof wish>) => {
    setWish({ ...wish, ...change })
    if (!('with' in change)) setLeft({})
  }
  const toggle = (id: string, place: number) =>
    setLeft((now) => ({ ...now, [id]: now[id]?.includes(place) ? now[id].filter((one) => one !== place) : [...(now[id] ?? []), place] }))
  return (
    <MaybeFollow act={many.act} title={words.title({ count })} onClose={onClose}>
      <FormDialog
        wide
        onClose={onClose}
        title={words.title({ count })}
        about={words.about}
        go={words.go({ at: at - skipped })}
        disabled={at - skipped === 0 || many.pending || found.isFetching || stale}
        onSubmit={many.begin}
      >
        <ReplaceFields wish={wish} onChange={set} />
        {many.problem || found.isError ? <Message look="problem">{many.problem ?? found.error?.message}</Message> : null}
        <p role="status" className="text-second">
          {some && found.data ? placesFound(at, questions.length, looked, pages[0]?.count ?? count) : ''}
        </p>
        <ul>
          {questions.map((one) => (
            <li key={one.id} className="border-hairline border-b py-2">
              <h3 className="font-semibold">{one.title}</h3>
              <ol>
                {one.places.map((place, i) => (
                  <ReplacePlace
                    // biome-ignore lint/suspicious/noArrayIndexKey: a place is its number
                    key={i}
                    number={i + 1}
                    place={place}
                    by={wish.with}
                    kept={left[one.id]?.includes(i) ?? false}
                    where={placeInQuestion(place.path)}
                    onToggle={() => toggle(one.id, i)}
                  />
                ))}
              </ol>
            </li>
          ))}
        </ul>
        {hasNextPage && at >= BY_ITSELF ? <Button onClick={() => fetchNextPage()}>{words.more}</Button> : null}
      </FormDialog>
    </MaybeFollow>
  )
}
