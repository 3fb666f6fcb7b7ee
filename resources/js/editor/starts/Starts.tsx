import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import type { QuestionJson } from '@/api/question'
import { keepStart, type OwnStart, removeStart, startsQuery } from '@/api/starts'
import { freshQuestion, uuid7 } from '@/editor/fresh'
import { texts } from '@/messages'
import { parts } from '@/parts'
import { kindHints, kindStarts } from '@/parts/words'
import { Button } from '@/ui/Button'
import { single, useCommands } from '@/ui/commands'
import { useToast } from '@/ui/Toasts'
import { quickStarts } from './quickStarts'

type Start = { id: string; title: string; hint: string; key: string; make: () => QuestionJson }

/** The learner will …: a kind by its number, a quick start by its letter, or one's own. */
export function Starts({ onStart }: { onStart: (question: QuestionJson) => void }) {
  const own = useQuery(startsQuery)
  const client = useQueryClient()
  const tell = useToast()
  const again = () => client.invalidateQueries({ queryKey: startsQuery.queryKey })
  const remove = useMutation({
    mutationFn: (one: OwnStart) => removeStart(one.id),
    onSuccess: (_, one) => {
      again()
      tell({ text: texts.starts.removed({ name: one.name }), undo: () => keepStart(one.name, one.question).then(again) })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const kinds: Start[] = [
    ...parts.map((view, i) => ({
      id: view.kind,
      title: kindStarts[view.kind] ?? view.kind,
      hint: kindHints[view.kind] ?? '',
      key: i < 9 ? String(i + 1) : '',
      make: () => freshQuestion(view.kind),
    })),
    { id: '', title: texts.desk.startSeveral, hint: texts.desk.startSeveralHint, key: '0', make: () => freshQuestion('') },
  ]
  const quick: Start[] = quickStarts.map(({ id, key, make }) => {
    const { name: title, hint } = texts.starts.standard[id] ?? { name: id, hint: '' }
    return { id: `quick-${id}`, title, hint, key, make }
  })
  const mine: Start[] = (own.data ?? []).map((one) => ({
    id: one.id,
    title: one.name,
    hint: '',
    key: '',
    make: () => ({ ...one.question, id: uuid7(), record: { status: 'draft' } }),
  }))
  useCommands(
    'starts',
    [...kinds, ...quick, ...mine].map(({ id, title, key, make }) => ({
      id: `start-${id}`,
      group: texts.desk.start,
      title,
      run: () => onStart(make()),
      ...(key ? { keys: key, single: true, on: single(key) } : {}),
    })),
  )
  const list = (starts: Start[], aside?: (start: Start) => ReactNode) => (
    <ul className="mt-2 border-hairline border-t">
      {starts.map((start) => (
        <li key={start.id} className="flex items-center border-hairline border-b">
          <button
            type="button"
            className="-outline-offset-2 flex h-full min-w-0 flex-1 items-baseline gap-3 px-3 py-1 text-left hover:bg-well"
            onClick={() => onStart(start.make())}
          >
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold text-accent">{start.title}</span>
              {start.hint ? <span className="block text-second">{start.hint}</span> : null}
            </span>
            {start.key ? <span className="rounded border border-edge px-1.5 font-mono text-caption text-quiet">{start.key}</span> : null}
          </button>
          {aside?.(start)}
        </li>
      ))}
    </ul>
  )
  return (
    <div className="mx-auto grid max-w-270 grid-cols-2 items-start gap-x-10 gap-y-6 px-8 py-5 max-lg:grid-cols-1 max-md:p-4">
      <section aria-label={texts.desk.start}>
        <h2 className="text-title font-semibold">{texts.desk.start}</h2>
        {list(kinds)}
      </section>
      <div className="flex flex-col gap-6">
        <section aria-label={texts.starts.quick}>
          <h2 className="text-title font-semibold">{texts.starts.quick}</h2>
          {list(quick)}
        </section>
        {mine.length > 0 ? (
          <section aria-label={texts.starts.own}>
            <h2 className="text-head font-semibold">{texts.starts.own}</h2>
            <p className="text-second">{texts.starts.ownHint}</p>
            {list(mine, (start) => (
              <Button
                look="quiet"
                className="!px-1"
                aria-label={texts.starts.remove({ name: start.title })}
                title={texts.starts.remove({ name: start.title })}
                onClick={() => {
                  const one = own.data?.find((kept) => kept.id === start.id)
                  if (one) remove.mutate(one)
                }}
              >
                <X size={16} aria-hidden="true" />
              </Button>
            ))}
          </section>
        ) : null}
      </div>
    </div>
  )
}
