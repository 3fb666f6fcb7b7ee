import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { replaceIn } from '@/api/starts'
import { ReplaceFields, ReplacePlace } from '@/bulk/ReplaceFields'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { placeInQuestion } from '@/question/placeInQuestion'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.starts.replace

type Props = { question: QuestionJson; onReplace: (question: QuestionJson) => void; onClose: () => void }

/** Words found everywhere in a question, each place seen before it is changed. */
export function ReplaceDialog({ question, onReplace, onClose }: Props) {
  const [wish, setWish] = useState({ find: '', with: '', case: false, whole: false })
  const [left, setLeft] = useState<number[]>([])
  const tell = useToast()
  const asked = useDebouncedValue(wish, 200)
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
      tell({ text: words.done({ n: picked.length }) })
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
      go={words.go({ n: picked.length })}
      disabled={picked.length === 0 || replace.isPending}
      onSubmit={() => replace.mutate()}
    >
      <ReplaceFields wish={wish} onChange={set} />
      {problem ? <Message look="problem">{problem.message}</Message> : null}
      <p role="status" className="text-second">
        {wish.find.trim() === '' || !found.data ? '' : places.length === 0 ? words.none : words.places({ n: places.length })}
      </p>
      <ol>
        {places.map((place, i) => (
          <ReplacePlace
            // biome-ignore lint/suspicious/noArrayIndexKey: a place is its number
            key={i}
            number={i + 1}
            place={place}
            by={wish.with}
            kept={left.includes(i)}
            where={placeInQuestion(place.path)}
            onToggle={() => setLeft(left.includes(i) ? left.filter((one) => one !== i) : [...left, i])}
          />
        ))}
      </ol>
    </FormDialog>
  )
}
