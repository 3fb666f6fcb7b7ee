import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { Button } from '@/components/Button'
import { Dialog } from '@/components/Dialog'
import { Waiting } from '@/components/Message'
import { texts } from '@/texts'
import { TryPane } from '@/try/TryPane'
import { differences, merged } from './differences'
import type { Home } from './home'

type Props = { mine: QuestionJson; home: Home; revision: number; onClose: () => void; onSave: (question: QuestionJson) => void }

/** Both versions beside each other, what differs, and whose to keep, thing by thing. */
export function Conflict({ mine, home, revision, onClose, onSave }: Props) {
  const theirs = useQuery({ queryKey: ['theirs', home.subject, revision], queryFn: () => home.theirs(mine.id), staleTime: 0 })
  const [chosen, setChosen] = useState<Record<string, 'mine' | 'theirs'>>({})
  const other = theirs.data && theirs.data.revision >= revision ? theirs.data.question : null
  const fields = other ? differences(mine, other) : []
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
          <Button look="primary" aria-disabled={!other} onClick={() => (other ? onSave(merged(mine, other, chosen)) : undefined)}>
            {texts.desk.merge(revision + 1)}
          </Button>
        </>
      }
    >
      {other ? (
        <>
          <ul className="mb-4">
            {fields.length === 0 ? <li>{texts.desk.noDifference}</li> : null}
            {fields.map(({ field, title }) => (
              <li key={field} className="border-hairline border-b py-1.5">
                <fieldset className="flex items-center gap-4">
                  <legend className="float-left w-60 font-semibold">{title}</legend>
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
