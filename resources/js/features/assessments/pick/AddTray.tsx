import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { addToAssessment } from '@/api/assembly'
import { entriesOf, isDraw, moved, withPoints } from '@/lib/assessment'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import type { Picking } from './usePicking'

const words = texts.assembly.pick

/** What lies in the tray, with the points each is to have and the place where they are to stand. */
export function AddTray({ picking, questions, onClose }: { picking: Picking; questions: string[]; onClose: () => void }) {
  const { document, section } = picking
  const { content, change, stored } = document
  const tell = useToast()
  const [into, setInto] = useState(section)
  const [before, setBefore] = useState('')
  const [points, setPoints] = useState('')
  const target = content.sections.find((one) => one.id === into) ?? content.sections[0]
  const add = useMutation({
    mutationFn: async () => {
      await document.flush()
      return addToAssessment(stored.id, questions, into)
    },
    onSuccess: (now) => {
      document.adopt(now)
      const ids = entriesOf(now.content).flatMap((entry) => (!isDraw(entry) && questions.includes(entry.question) ? [entry.id] : []))
      const at = now.content.sections.find((one) => one.id === into)?.entries.findIndex((entry) => entry.id === before) ?? -1
      change((one) => {
        const set = points === '' ? one : withPoints(one, ids, Number(points))
        return at < 0 ? set : moved(set, ids, into, at)
      })
      tell({ text: words.added({ n: ids.length }) })
      onClose()
    },
  })
  const titleOf = (id: string) => stored.entries[id]?.title || texts.assembly.draw
  return (
    <FormDialog
      title={words.trayTitle({ n: questions.length })}
      go={texts.assembly.add}
      disabled={add.isPending}
      onSubmit={() => add.mutate()}
      onClose={onClose}
    >
      {content.sections.length > 1 ? (
        <Field.Root>
          <Field.Label>{words.section}</Field.Label>
          <Field.Choice
            value={into}
            onChange={(event) => {
              setInto(event.target.value)
              setBefore('')
            }}
          >
            {content.sections.map((one, i) => (
              <option key={one.id} value={one.id}>
                {one.title || texts.assembly.section({ n: i + 1 })}
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
      ) : null}
      <Field.Root>
        <Field.Label>{words.place}</Field.Label>
        <Field.Choice value={before} onChange={(event) => setBefore(event.target.value)}>
          {(target?.entries ?? []).map((entry) => (
            <option key={entry.id} value={entry.id}>
              {words.before({ title: titleOf(entry.id) })}
            </option>
          ))}
          <option value="">{words.atEnd}</option>
        </Field.Choice>
      </Field.Root>
      <Field.Root problem={add.error?.message ?? null}>
        <Field.Label>{texts.assembly.pointsFor}</Field.Label>
        <Field.Text
          autoFocus
          type="number"
          min={0}
          max={100000}
          step="any"
          placeholder={texts.assembly.drawOwnPoints}
          value={points}
          onChange={(event) => setPoints(event.target.value)}
        />
      </Field.Root>
    </FormDialog>
  )
}
