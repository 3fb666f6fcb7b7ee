import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { goesOn } from '@/api/acts'
import { regroupBank, regroupQuery } from '@/api/migration'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.migration.bank
const presets = { kind: '{kind}', quiz: '{quiz}', both: '{quiz} › {kind}', points: '{points}', topic: '{topic}' } as const

/** What the list of a bank shows, put into folders by a pattern of names, looked at first. */
export function RegroupDialog({ slug, filter, onClose }: { slug: string; filter: string; onClose: () => void }) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const [pattern, setPattern] = useState<string>(presets.kind)
  const tried = useDebouncedValue(pattern, 300)
  const preview = useQuery(regroupQuery(slug, filter, tried))
  const go = useMutation({
    mutationFn: () => regroupBank(slug, filter, pattern),
    onSuccess: (act) => {
      client.invalidateQueries()
      tell({
        text: goesOn(act) ? texts.acts.started({ count: act.total }) : words.done({ n: act.changed }),
        link: { title: texts.acts.receipt, go: () => navigate(`/acts/${act.act}`) },
      })
      onClose()
    },
  })
  const preset = (Object.keys(presets) as (keyof typeof presets)[]).find((one) => presets[one] === pattern)
  const problem = go.error?.message ?? (preview.isError ? preview.error.message : null)
  return (
    <FormDialog
      onClose={onClose}
      title={words.title}
      about={words.about}
      go={words.go({ n: preview.data?.questions ?? 0 })}
      disabled={go.isPending || preview.isError || pattern.trim() === ''}
      onSubmit={() => go.mutate()}
    >
      <Field.Root>
        <Field.Label>{texts.migration.folders.by}</Field.Label>
        <Field.Choice
          value={preset ?? 'own'}
          onChange={(event) => setPattern(presets[event.target.value as keyof typeof presets] ?? pattern)}
        >
          {(Object.keys(presets) as (keyof typeof presets)[]).map((one) => (
            <option key={one} value={one}>
              {texts.migration.folders.presets[one]}
            </option>
          ))}
          <option value="own">{texts.migration.folders.presets.own}</option>
        </Field.Choice>
      </Field.Root>
      <Field.Root problem={problem}>
        <Field.Label>{texts.migration.folders.pattern}</Field.Label>
        <Field.Text value={pattern} maxLength={500} onChange={(event) => setPattern(event.target.value)} />
      </Field.Root>
      <ul className="max-h-72 overflow-y-auto rounded-ui border border-hairline bg-paper py-1">
        {(preview.data?.tree ?? []).map((row) => (
          <li key={row.path.join(' › ')} className="flex gap-3 px-3 py-0.5" style={{ paddingLeft: `${0.75 + row.depth * 1.25}rem` }}>
            <span className="min-w-0 flex-1 truncate">{row.name}</span>
            <span className="text-caption text-second">{texts.migration.folders.questions({ n: row.questions })}</span>
          </li>
        ))}
      </ul>
    </FormDialog>
  )
}
