import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { meQuery, score } from '@/api/queries'
import type { Marks, QuestionJson, Result, Specimen } from '@/api/question'
import { plainOf } from '@/lib/plainOf'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { MarkPart } from '@/question/try/MarkPart'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.marking

type Props = { question: QuestionJson; specimen: Specimen; onKeep: (by: string, marks: Marks) => void; onClose: () => void }

/** A second person marks a specimen without seeing the marks that count, to see how far the two agree. */
export function MarkToo({ question, specimen, onKeep, onClose }: Props) {
  const me = useQuery(meQuery)
  const tell = useToast()
  const [marks, setMarks] = useState<Marks>({})
  const [result, setResult] = useState<Result | null>(null)
  const [problem, setProblem] = useState('')
  /** What comes back for earlier marks is late, and shows nothing. */
  const last = useRef(marks)
  const parts = question.parts.filter((part) => specimen.marks?.[part.id])
  const mark = (id: string, given: Marks[string]) => {
    const next = { ...marks, [id]: given }
    setMarks(next)
    last.current = next
    score(question, specimen.response, specimen.seed ?? 1, specimen.earlier_wrong ?? 0, specimen.hints ?? 0, next)
      .then((scored) => {
        if (next !== last.current) return
        setResult(scored)
        setProblem('')
      })
      .catch((failed: Error) => setProblem(failed.message))
  }
  const isDone = result !== null && !result.needs_marking
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={words.markToo}
      about={words.blind}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button
            look="primary"
            aria-disabled={!isDone || !me.data}
            onClick={() => {
              if (!isDone || !me.data) return
              onKeep(me.data.name, marks)
              tell({ text: words.compared({ count: specimen.score, yours: String(result.score) }) })
              onClose()
            }}
          >
            {words.keepMarks}
          </Button>
        </>
      }
    >
      <div className="flex flex-col gap-6">
        {parts.map((part) => {
          const given = specimen.response[part.id]
          const text = String(given?.text ?? '')
          return (
            <section key={part.id} aria-label={part.label || kindNames[part.kind]} className="grid gap-6 md:grid-cols-2">
              <div>
                <h3 className="mb-1 font-semibold">{words.answer}</h3>
                <p className="whitespace-pre-wrap font-serif text-question">{part.settings?.format === 'rich' ? plainOf(text) : text}</p>
              </div>
              <MarkPart
                part={part}
                marks={marks[part.id] ?? {}}
                marking={result?.parts.find((one) => one.id === part.id)?.marking}
                onChange={(given) => mark(part.id, given)}
              />
            </section>
          )
        })}
        {problem ? <Message look="problem">{problem}</Message> : null}
      </div>
    </Dialog>
  )
}
