import { useMutation, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { merge } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Changes } from '@/question/Changes'
import { TryPane } from '@/question/try/TryPane'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Message, Waiting } from '@/ui/Message'
import type { Home } from './home'

type Props = { mine: QuestionJson; home: Home; revision: number; onClose: () => void; onSave: (question: QuestionJson) => void }

/** Both versions beside each other, what differs, and whose to keep, thing by thing. */
export function Conflict({ mine, home, revision, onClose, onSave }: Props) {
  const theirs = useQuery({ queryKey: ['theirs', home.subject, revision], queryFn: () => home.theirs(mine.id), staleTime: 0 })
  const [chosen, setChosen] = useState<Record<string, 'mine' | 'theirs'>>({})
  const other = theirs.data && theirs.data.revision >= revision ? theirs.data.question : null
  const between = useQuery({
    queryKey: ['merge', mine, revision],
    queryFn: () => merge(mine, other as QuestionJson),
    enabled: other !== null,
  })
  const fields = between.data?.fields ?? []
  const save = useMutation({
    mutationFn: () =>
      merge(
        mine,
        other as QuestionJson,
        Object.keys(chosen).filter((field) => chosen[field] === 'theirs'),
      ),
    onSuccess: ({ question }) => onSave({ ...question, ...(mine.record ? { record: mine.record } : {}) }),
  })
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={texts.desk.conflictTitle}
      about={texts.desk.conflictAbout}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button
            look="primary"
            aria-disabled={!between.data || save.isPending}
            onClick={() => between.data && !save.isPending && save.mutate()}
          >
            {texts.desk.merge({ n: revision + 1 })}
          </Button>
        </>
      }
    >
      {between.isError ? <Message look="problem">{between.error.message}</Message> : null}
      {save.isError ? <Message look="problem">{save.error.message}</Message> : null}
      {other ? (
        <>
          <ul className="mb-4">
            {between.data && fields.length === 0 ? <li>{texts.desk.noDifference}</li> : null}
            {fields.map(({ field, part, changes }) => (
              <li key={field} className="border-hairline border-b py-1.5">
                <fieldset className="flex items-center gap-4">
                  <legend className="float-left w-60 font-semibold">
                    {part === null ? (texts.desk.fields[field] ?? field) : called(mine, part)}
                  </legend>
                  {(['mine', 'theirs'] as const).map((whose) => (
                    <label key={whose} className="flex items-center gap-1.5">
                      <input
                        type="radio"
                        name={`whose-${field}`}
                        checked={(chosen[field] ?? 'mine') === whose}
                        onChange={() => setChosen({ ...chosen, [field]: whose })}
                      />
                      {texts.desk[whose]}
                    </label>
                  ))}
                </fieldset>
                <Changes differences={changes} />
              </li>
            ))}
          </ul>
          <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
            {[[texts.desk.mine, mine] as const, [texts.desk.theirs, other] as const].map(([title, question]) => (
              <section key={title} aria-label={title} className="rounded-ui border border-hairline p-4">
                <h3 className="mb-2 font-semibold">{title}</h3>
                <p className="mb-2 text-head">{question.title}</p>
                <TryPane question={question} bank={home.slug} showKey />
              </section>
            ))}
          </div>
        </>
      ) : (
        <Waiting text={texts.loading} />
      )}
    </Dialog>
  )
}

const called = (question: QuestionJson, id: string): string => {
  const part = question.parts.find((one) => one.id === id)
  return part?.label || texts.desk.part({ kind: kindNames[part?.kind ?? ''] ?? id })
}
