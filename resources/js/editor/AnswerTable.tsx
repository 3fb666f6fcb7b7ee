import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answerTable, cellsOf } from '@/api/actions'
import type { Part } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control, Field } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { CellPicks } from './CellPicks'

type Props = { taken: string[]; onClose: () => void; onMade: (html: string, parts: Part[]) => void }

/** Cells typed or pasted from a spreadsheet; those that are picked become answers, and what stands in them is right. */
export function AnswerTable({ taken, onClose, onMade }: Props) {
  const [text, setText] = useState('')
  const [rows, setRows] = useState<string[][] | null>(null)
  const [answers, setAnswers] = useState<string[]>([])
  const [wish, setWish] = useState({ kind: 'text', points: 1, header: true, side: true })
  const read = useMutation({ mutationFn: () => cellsOf(text), onSuccess: (cells) => setRows(cells.length > 0 ? cells : null) })
  const make = useMutation({
    mutationFn: () =>
      answerTable({ ...wish, rows: rows ?? [], answers: answers.map((at) => at.split(':').map(Number) as [number, number]), taken }),
    onSuccess: (made) => onMade(made.html, made.parts),
  })
  const problem = read.error ?? make.error
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={texts.table.make}
      about={rows ? texts.table.pick : texts.table.about}
      closeName={texts.frame.close}
      actions={
        <>
          {rows ? (
            <Button onClick={() => setRows(null)}>{texts.table.back}</Button>
          ) : (
            <Button onClick={onClose}>{texts.frame.cancel}</Button>
          )}
          {rows ? (
            <Button look="primary" aria-disabled={make.isPending} onClick={() => make.mutate()}>
              {texts.table.put({ n: answers.length })}
            </Button>
          ) : (
            <Button look="primary" aria-disabled={text.trim() === ''} onClick={() => (text.trim() === '' ? undefined : read.mutate())}>
              {texts.table.next}
            </Button>
          )}
        </>
      }
    >
      {problem ? <Message look="problem">{problem.message}</Message> : null}
      {rows ? (
        <div className="flex flex-col gap-3">
          <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
            {(['header', 'side'] as const).map((name) => (
              <label key={name} className="flex items-center gap-2">
                <input type="checkbox" checked={wish[name]} onChange={(event) => setWish({ ...wish, [name]: event.target.checked })} />
                {texts.table[name]}
              </label>
            ))}
            <label className="flex items-center gap-2">
              {texts.table.answersAre}
              <select className={control} value={wish.kind} onChange={(event) => setWish({ ...wish, kind: event.target.value })}>
                {Object.entries(texts.table.kinds).map(([kind, title]) => (
                  <option key={kind} value={kind}>
                    {title}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex items-center gap-2">
              {texts.table.pointsEach}
              <input
                type="number"
                min={0}
                step="0.5"
                className={`${control} w-20`}
                value={wish.points}
                onChange={(event) => setWish({ ...wish, points: Math.max(0, Number(event.target.value)) })}
              />
            </label>
          </div>
          <CellPicks rows={rows} header={wish.header} side={wish.side} picked={answers} onPick={setAnswers} />
        </div>
      ) : (
        <Field.Root>
          <Field.Label>{texts.table.cells}</Field.Label>
          <textarea
            aria-label={texts.table.cells}
            className={`${control} min-h-48 w-full p-2 font-mono`}
            placeholder={texts.table.example}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </Field.Root>
      )}
    </Dialog>
  )
}
