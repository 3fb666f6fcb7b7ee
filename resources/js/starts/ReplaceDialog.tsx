import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { replaceIn } from '@/api/starts'
import { Field } from '@/components/Field'
import { FormDialog } from '@/components/FormDialog'
import { Message } from '@/components/Message'
import { useTell } from '@/components/Toasts'
import { useRested } from '@/desk/useRested'
import { texts } from '@/texts'

const words = texts.starts.replace

type Props = { question: QuestionJson; onReplace: (question: QuestionJson) => void; onClose: () => void }

/** Words found everywhere in a question, each place seen before it is changed. */
export function ReplaceDialog({ question, onReplace, onClose }: Props) {
  const [wish, setWish] = useState({ find: '', with: '', case: false, whole: false })
  const [left, setLeft] = useState<number[]>([])
  const tell = useTell()
  const asked = useRested(wish, 200)
  const found = useQuery({
    queryKey: ['replace', JSON.stringify(question), asked.find, asked.case, asked.whole],
    queryFn: () => replaceIn(question, { ...asked, only: [] }),
    enabled: asked.find.trim() !== '',
    placeholderData: keepPreviousData,
    gcTime: 0,
  })
  const places = wish.find.trim() === '' ? [] : (found.data?.places ?? [])
  const picked = places.map((_, i) => i).filter((i) => !left.includes(i))
  const replace = useMutation({
    mutationFn: () => replaceIn(question, { ...wish, only: picked }),
    onSuccess: (done) => {
      onReplace(done.question)
      tell({ text: words.done(picked.length) })
      onClose()
    },
  })
  const set = (change: Partial<typeof wish>) => {
    setWish({ ...wish, ...change })
    if (!('with' in change)) setLeft([])
  }
  const problem = found.error ?? replace.error
  return (
    <FormDialog
      wide
      onClose={onClose}
      title={words.title}
      about={words.about}
      go={words.go(picked.length)}
      disabled={picked.length === 0 || replace.isPending}
      onSubmit={() => replace.mutate()}
    >
      <div className="grid grid-cols-2 gap-3 max-md:grid-cols-1">
        <Field.Root>
          <Field.Label>{words.find}</Field.Label>
          <Field.Text autoFocus maxLength={500} value={wish.find} onChange={(event) => set({ find: event.target.value })} />
        </Field.Root>
        <Field.Root>
          <Field.Label>{words.with}</Field.Label>
          <Field.Text maxLength={2000} value={wish.with} onChange={(event) => set({ with: event.target.value })} />
        </Field.Root>
      </div>
      <div className="flex gap-6">
        {(['case', 'whole'] as const).map((name) => (
          <label key={name} className="flex items-center gap-2">
            <input type="checkbox" checked={wish[name]} onChange={(event) => set({ [name]: event.target.checked })} />
            {words[name]}
          </label>
        ))}
      </div>
      {problem ? <Message look="problem">{problem.message}</Message> : null}
      <p role="status" className="text-second">
        {wish.find.trim() === '' || !found.data ? '' : places.length === 0 ? words.none : words.places(places.length)}
      </p>
      <ol>
        {places.map((place, i) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a place is its number
            key={i}
            className="flex items-baseline gap-3 border-hairline border-b py-1.5"
          >
            <input
              type="checkbox"
              aria-label={words.pick(i + 1, `${place.before}${place.found}${place.after}`)}
              checked={!left.includes(i)}
              onChange={(event) => setLeft(event.target.checked ? left.filter((one) => one !== i) : [...left, i])}
            />
            <span className="min-w-0 flex-1 font-serif">
              {place.before}
              <del>{place.found}</del>
              {wish.with && !left.includes(i) ? <ins className="ml-1">{wish.with}</ins> : null}
              {place.after}
            </span>
            <span className="max-w-[40%] flex-none truncate text-caption text-quiet">{texts.revisions.place(place.path)}</span>
          </li>
        ))}
      </ol>
    </FormDialog>
  )
}
