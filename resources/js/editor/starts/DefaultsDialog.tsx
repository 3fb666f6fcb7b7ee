import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { changeBank } from '@/api/actions'
import { ApiProblem } from '@/api/client'
import type { Bank } from '@/api/schema'
import type { Defaults } from '@/lib/defaults'
import { texts } from '@/messages'
import { creditFromPercent, percentFromCredit } from '@/parts/html'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'

const words = texts.starts.defaults

/** What new questions of a bank begin with. */
export function DefaultsDialog({ bank, onClose }: { bank: Bank; onClose: () => void }) {
  const client = useQueryClient()
  const tell = useToast()
  const [now, setNow] = useState<Defaults>(bank.defaults as Defaults)
  const [cost, setCost] = useState(percentFromCredit(now.attempts?.cost ?? '0'))
  const save = useMutation({
    mutationFn: () => {
      const attempts = { ...(now.attempts?.allowed ? { allowed: now.attempts.allowed } : {}), cost: creditFromPercent(cost) }
      return changeBank(bank.slug, {
        defaults: { ...now, ...(attempts.allowed || attempts.cost !== '0' ? { attempts } : { attempts: undefined }) },
      })
    },
    onSuccess: (saved) => {
      client.invalidateQueries({ queryKey: ['bank', saved.slug] })
      tell({ text: words.saved })
      onClose()
    },
  })
  const problem = (path: string) =>
    save.error instanceof ApiProblem && save.error.path === `/defaults${path}` ? save.error.message : undefined
  const placed = ['/language', '/points', '/attempts/cost', '/attempts/allowed'].some((path) => problem(path))
  const choice = (label: string, value: string, options: [string, string][], onChange: (value: string) => void) => (
    <Field.Root key={label}>
      <Field.Label>{label}</Field.Label>
      <Field.Choice value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map(([key, title]) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
  const set = (change: Partial<Record<keyof Defaults, unknown>>) => setNow({ ...now, ...change } as Defaults)
  return (
    <FormDialog
      onClose={onClose}
      title={texts.bank.defaults}
      about={words.about}
      go={texts.frame.save}
      disabled={save.isPending}
      onSubmit={() => save.mutate()}
      className="grid grid-cols-2 gap-3 max-md:grid-cols-1"
    >
      <Field.Root problem={problem('/language') ?? null}>
        <Field.Label>{words.language}</Field.Label>
        <Field.Text maxLength={35} value={now.language ?? ''} onChange={(event) => set({ language: event.target.value || undefined })} />
      </Field.Root>
      <Field.Root problem={problem('/points') ?? null}>
        <Field.Label>{words.points}</Field.Label>
        <Field.Text
          type="number"
          min={0}
          max={1000}
          step="any"
          value={now.points ?? ''}
          onChange={(event) => set({ points: event.target.value === '' ? undefined : Number(event.target.value) })}
        />
      </Field.Root>
      {choice(words.shuffle, now.shuffle === undefined ? '' : now.shuffle ? 'yes' : 'no', Object.entries(words.shuffles), (value) =>
        set({ shuffle: value === '' ? undefined : value === 'yes' }),
      )}
      {choice(words.show, now.show ?? 'both', Object.entries(texts.parts.shows), (show) => set({ show }))}
      <Field.Root problem={problem('/attempts/allowed') ?? null}>
        <Field.Label>{words.allowed}</Field.Label>
        <Field.Text
          type="number"
          min={1}
          max={100}
          placeholder={words.unlimited}
          value={now.attempts?.allowed ?? ''}
          onChange={(event) =>
            set({ attempts: { ...now.attempts, allowed: event.target.value === '' ? null : Number(event.target.value) } })
          }
        />
      </Field.Root>
      <Field.Root problem={problem('/attempts/cost') ?? null}>
        <Field.Label>{words.cost}</Field.Label>
        <Field.Text inputMode="decimal" value={cost} onChange={(event) => setCost(event.target.value)} />
      </Field.Root>
      {choice(texts.tools.calculator, now.tools?.calculator ?? 'none', Object.entries(texts.tools.calculators), (calculator) =>
        set({ tools: calculator === 'none' ? undefined : { calculator } }),
      )}
      <Field.Root>
        <Field.Label>{texts.tools.limit}</Field.Label>
        <Field.Text
          type="number"
          min={0.5}
          max={1440}
          step={0.5}
          placeholder={texts.tools.noLimit}
          value={now.time_limit ? now.time_limit / 60 : ''}
          onChange={(event) => set({ time_limit: event.target.value === '' ? undefined : Math.round(Number(event.target.value) * 60) })}
        />
      </Field.Root>
      <h3 className="col-span-full mt-2 font-semibold">{words.typed}</h3>
      {Object.entries(texts.parts.normalising).map(([name, { title, options }]) =>
        choice(title, now.normalise?.[name] ?? '', [['', words.usual], ...Object.entries(options)], (value) => {
          const { [name]: _, ...rest } = now.normalise ?? {}
          const next = value === '' ? rest : { ...rest, [name]: value }
          set({ normalise: Object.keys(next).length > 0 ? next : undefined })
        }),
      )}

      {save.isError && !placed ? (
        <p role="alert" className="col-span-full text-problem">
          {save.error.message}
        </p>
      ) : null}
    </FormDialog>
  )
}
