import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { changeMany } from '@/api/acts'
import { banksQuery } from '@/api/queries'
import type * as schema from '@/api/schema'
import { frameworkQuery, frameworksQuery } from '@/api/standards'
import { texts } from '@/messages'
import { alignmentTo } from '@/standards/alignmentTo'
import { frameworkName } from '@/standards/statementName'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import { movesBetween } from './movesBetween'

const words = texts.standards

/** Moves the questions of some banks from one framework over to another, by the crosswalks between them; each bank's act can be undone. */
export function MoveOverDialog({ framework, onClose }: { framework: schema.WholeFramework; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const frameworks = (useQuery(frameworksQuery).data?.data ?? []).filter((one) => one.id !== framework.id)
  const mine = (useQuery(banksQuery).data ?? []).filter((one) => one.my_role !== 'reader' && !one.archived)
  const [chosen, setChosen] = useState('')
  const target = chosen || frameworks.find((one) => one.title === framework.title)?.id || frameworks[0]?.id || ''
  const other = useQuery(frameworkQuery(target)).data
  const [out, setOut] = useState<string[]>([])
  const [keep, setKeep] = useState(false)
  const moves = other ? movesBetween(framework, other) : null
  const banks = mine.filter((one) => !out.includes(one.slug))
  const go = useMutation({
    mutationFn: async () => {
      const title = other?.title ?? ''
      const move = (moves?.pairs ?? []).flatMap(([from, to]) => {
        const old = framework.statements.find((one) => one.id === from)
        const next = other?.statements.find((one) => one.id === to)
        if (!old || !next) return []
        return [
          ...(keep ? [{ from, to: alignmentTo({ ...old, framework: framework.title }) }] : []),
          { from, to: alignmentTo({ ...next, framework: title }) },
        ]
      })
      let changed = 0
      for (const bank of banks) {
        const act = await changeMany(bank.slug, { filter: `framework=${framework.id}` }, { record: { standards: { move } } })
        changed += act.changed
      }
      return changed
    },
    onSuccess: (changed) => {
      client.invalidateQueries()
      tell({ text: words.movedOver({ n: changed }) })
      onClose()
    },
  })
  return (
    <FormDialog
      title={words.mapOver}
      about={words.mapOverAbout({ framework: frameworkName(framework) })}
      go={words.mapOverGo}
      disabled={go.isPending || banks.length === 0 || !moves || moves.pairs.length === 0}
      onClose={onClose}
      onSubmit={() => go.mutate()}
    >
      <Field.Root problem={go.error?.message ?? null}>
        <Field.Label>{words.mapOverTo}</Field.Label>
        <Field.Choice value={target} onChange={(event) => setChosen(event.target.value)}>
          {frameworks.map((one) => (
            <option key={one.id} value={one.id}>
              {frameworkName(one)}
            </option>
          ))}
        </Field.Choice>
      </Field.Root>
      {moves ? (
        <p>
          {words.mapped({ n: moves.pairs.length })}{' '}
          {moves.without.length > 0 ? (
            <span className="text-attention">
              {words.notMapped({ n: moves.without.length, codes: moves.without.slice(0, 6).join(', ') })}
            </span>
          ) : null}
        </p>
      ) : null}
      <fieldset>
        <legend className="text-caption text-second">{texts.coverage.banks}</legend>
        <div className="max-h-56 overflow-y-auto rounded-ui border border-edge p-2">
          {mine.map((one) => (
            <label key={one.slug} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                checked={!out.includes(one.slug)}
                onChange={(event) => setOut(event.target.checked ? out.filter((slug) => slug !== one.slug) : [...out, one.slug])}
              />
              {one.name}
            </label>
          ))}
        </div>
      </fieldset>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={keep} onChange={(event) => setKeep(event.target.checked)} />
        {words.keepOld}
      </label>
    </FormDialog>
  )
}
