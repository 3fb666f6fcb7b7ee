import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { type AssessmentRow, placeAssessment } from '@/api/assembly'
import { texts } from '@/messages'
import { folderNames, folderText, PlaceFields } from '@/shell/tray/PlaceFields'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.assembly.places

/** Another folder, course or term for some assessments; what is left empty is taken away. */
export function MoveDialog({ rows, onClose }: { rows: AssessmentRow[]; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const first = rows[0]
  const same = (of: (row: AssessmentRow) => string) => (rows.every((row) => first && of(row) === of(first)) && first ? of(first) : '')
  const [value, setValue] = useState(() => ({
    folder: same((row) => folderText(row.folder)),
    course: same((row) => row.course),
    term: same((row) => row.term),
  }))
  const move = useMutation({
    mutationFn: () =>
      Promise.all(
        rows.map((row) => placeAssessment(row.id, { folder: folderNames(value.folder), course: value.course, term: value.term })),
      ),
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['assessments'] })
      tell({ text: words.moved({ n: rows.length, folder: value.folder || words.noFolder }) })
      onClose()
    },
  })
  return (
    <FormDialog
      title={words.moveTitle({ n: rows.length })}
      about={words.moveAbout}
      go={words.moveGo}
      disabled={move.isPending}
      onSubmit={() => move.mutate()}
      onClose={onClose}
    >
      <PlaceFields bank={first?.bank ?? ''} value={value} onChange={setValue} />
      {move.isError ? <Message look="problem">{move.error.message}</Message> : null}
    </FormDialog>
  )
}
