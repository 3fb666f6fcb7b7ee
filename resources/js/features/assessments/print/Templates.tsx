import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import type { Assessment, PrintSettings } from '@/api/assembly'
import { deleteTemplate, keepTemplate, templatesQuery } from '@/api/paper'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.paper.print

type Props = { assessment: Assessment; settings: PrintSettings; mayWrite: boolean; onChange: (settings: PrintSettings) => void }

/** Settings that the bank's assessments share, under a name. */
export function Templates({ assessment, settings, mayWrite, onChange }: Props) {
  const client = useQueryClient()
  const tell = useToast()
  const bank = assessment.bank.slug
  const templates = useQuery(templatesQuery(bank)).data ?? []
  const [chosen, setChosen] = useState('')
  const [isKeeping, setKeeping] = useState(false)
  const used = templates.find((one) => one.id === chosen)
  const again = () => client.invalidateQueries({ queryKey: templatesQuery(bank).queryKey })
  const remove = useMutation({
    mutationFn: (id: string) => deleteTemplate(bank, id),
    onSuccess: () => {
      const gone = used
      setChosen('')
      again()
      if (gone) {
        tell({
          text: words.deleted({ title: gone.title }),
          undo: () => keepTemplate(bank, gone.title, gone.settings).then(again),
        })
      }
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  if (!mayWrite) return null
  return (
    <div className="flex flex-col gap-2">
      <Field.Root>
        <Field.Label>{words.template}</Field.Label>
        <Field.Choice
          value={chosen}
          onChange={(event) => {
            setChosen(event.target.value)
            const next = templates.find((one) => one.id === event.target.value)
            if (next) {
              const { seed, spaces, rolls } = settings
              onChange({
                ...next.settings,
                ...(seed === undefined ? {} : { seed }),
                ...(spaces ? { spaces } : {}),
                ...(rolls ? { rolls } : {}),
              })
            }
          }}
        >
          <option value="">{words.noTemplate}</option>
          {templates.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      <p className="flex flex-wrap gap-x-3">
        <Button look="quiet" className="!min-h-7 !px-0" onClick={() => setKeeping(true)}>
          {words.keep}
        </Button>
        {used ? (
          <Button look="quiet" className="!min-h-7 !px-0" onClick={() => remove.mutate(used.id)}>
            {words.deleteTemplate}
          </Button>
        ) : null}
      </p>
      {isKeeping ? (
        <Keep bank={bank} settings={settings} usual={used?.title ?? ''} onClose={() => setKeeping(false)} onKept={again} />
      ) : null}
    </div>
  )
}

type KeepProps = { bank: string; settings: PrintSettings; usual: string; onClose: () => void; onKept: () => void }

function Keep({ bank, settings, usual, onClose, onKept }: KeepProps) {
  const tell = useToast()
  const [title, setTitle] = useState(usual)
  const keep = useMutation({
    mutationFn: () => keepTemplate(bank, title, settings),
    onSuccess: () => {
      onKept()
      tell({ text: words.kept({ title: title.trim() }) })
      onClose()
    },
  })
  return (
    <FormDialog title={words.keepTitle} go={words.keepGo} disabled={keep.isPending} onClose={onClose} onSubmit={() => keep.mutate()}>
      <Field.Root problem={keep.isError ? keep.error.message : null}>
        <Field.Label>{words.keepName}</Field.Label>
        <Field.Text value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
      </Field.Root>
    </FormDialog>
  )
}
