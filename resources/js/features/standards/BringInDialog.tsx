import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { type BringIn, bringIn, type FrameworkRead } from '@/api/standards'
import { number } from '@/lib/format'
import { texts } from '@/messages'
import { frameworkName } from '@/standards/statementName'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'

const words = texts.standards
type How = 'new' | 'over' | 'beside'

/** Brings a framework in: give it, see what it would do, decide. */
export function BringInDialog({ onClose }: { onClose: () => void }) {
  const client = useQueryClient()
  const navigate = useNavigate()
  const tell = useToast()
  const [given, setGiven] = useState<BringIn>({})
  const [how, setHow] = useState<How>('new')
  const [target, setTarget] = useState('')
  const read = useMutation({
    mutationFn: () => bringIn(given),
    onSuccess: ({ read: [first] }) => {
      setHow((first?.how as How | undefined) ?? 'new')
      setTarget(first?.framework ?? '')
    },
  })
  const store = useMutation({
    mutationFn: () => bringIn({ ...given, how, ...(how === 'new' ? {} : { framework: target }) }),
    onSuccess: ({ stored, read: [first] }) => {
      for (const key of ['frameworks', 'statements', 'coverage', 'bank']) client.invalidateQueries({ queryKey: [key] })
      tell({ text: words.stored({ title: first?.title ?? '' }) })
      onClose()
      if (stored[0]) navigate(`/frameworks/${stored[0]}`)
    },
  })
  const first = read.data?.read[0]
  const busy = read.isPending || store.isPending
  const nothing = !given.file && !given.text?.trim()
  const change = (some: BringIn) => {
    setGiven({ ...given, ...some })
    read.reset()
  }
  return (
    <FormDialog
      wide
      title={words.bringIn}
      about={words.bringInAbout}
      go={first ? words.store : words.look}
      disabled={busy || nothing || (first !== undefined && how !== 'new' && target === '')}
      onClose={onClose}
      onSubmit={() => (first ? store.mutate() : read.mutate())}
    >
      <Field.Root problem={(read.error ?? store.error)?.message ?? null}>
        <Field.Label>{words.file}</Field.Label>
        <Field.Text type="file" accept=".json,.csv,.tsv,.txt" onChange={(event) => change({ file: event.target.files?.[0] as File })} />
      </Field.Root>
      {given.file ? null : (
        <>
          <Field.Root>
            <Field.Label>{words.paste}</Field.Label>
            <Field.Area
              rows={first ? 3 : 8}
              value={given.text ?? ''}
              placeholder={words.pasteHint}
              onChange={(event) => change({ text: event.target.value })}
            />
          </Field.Root>
          <Field.Root>
            <Field.Label>{words.name}</Field.Label>
            <Field.Text maxLength={200} value={given.name ?? ''} onChange={(event) => change({ name: event.target.value })} />
          </Field.Root>
        </>
      )}
      {first ? <Found read={first} notices={read.data?.notices ?? []} /> : null}
      {first ? (
        <fieldset>
          <legend className="font-semibold">{words.how}</legend>
          {(['new', 'over', 'beside'] as const).map((one) =>
            one !== 'new' && first.alike.length === 0 ? null : (
              <label key={one} className="flex min-h-8 items-start gap-2 py-1">
                <input type="radio" name="how" className="mt-1" checked={how === one} onChange={() => setHow(one)} />
                <span>
                  {words.hows[one]} <span className="block text-caption text-second">{words.howAbout[one]}</span>
                </span>
              </label>
            ),
          )}
          {how !== 'new' && first.alike.length > 1 ? (
            <select
              aria-label={words.which}
              className="mt-1 min-h-8 rounded-ui border border-edge bg-paper px-2"
              value={target}
              onChange={(event) => setTarget(event.target.value)}
            >
              {first.alike.map((one) => (
                <option key={one.id} value={one.id}>
                  {frameworkName(one)}
                </option>
              ))}
            </select>
          ) : null}
        </fieldset>
      ) : null}
    </FormDialog>
  )
}

function Found({ read, notices }: { read: FrameworkRead; notices: { message: string; severity: string }[] }) {
  const alike = read.alike.find((one) => one.id === read.framework)
  const changes = alike
    ? ([
        ['reworded', alike.difference.reworded],
        ['recoded', alike.difference.recoded],
        ['moved', alike.difference.moved],
        ['added', alike.difference.added],
        ['gone', alike.difference.gone],
      ] as const)
    : []
  return (
    <section aria-label={read.title} className="rounded-ui bg-well px-4 py-3">
      <h3 className="font-semibold">{frameworkName(read)}</h3>
      <p className="text-second">{words.read({ n: read.statements, links: number(read.associations) })}</p>
      <ul className="mt-1 max-h-40 overflow-y-auto">
        {read.first.map((one, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: lines of one text, told by their place
          <li key={i} className="truncate text-caption" style={{ paddingInlineStart: one.depth * 16 }}>
            <span className="font-mono">{one.code}</span> {one.text}
          </li>
        ))}
        {read.statements > read.first.length ? <li className="text-caption text-quiet">…</li> : null}
      </ul>
      {alike ? (
        <div className="mt-2">
          <p className="font-semibold">{words.comparedWith({ framework: frameworkName(alike) })}</p>
          <ul className="list-disc pl-5">
            <li>{words.same({ n: alike.difference.same })}</li>
            {changes.map(([name, some]) =>
              some.count === 0 ? null : (
                <li key={name}>
                  {words.differences[name]({ n: some.count })}: <span className="text-second">{some.first.slice(0, 8).join(', ')}</span>
                  {some.count > 8 ? ' …' : ''}
                </li>
              ),
            )}
          </ul>
        </div>
      ) : null}
      {notices.length > 0 ? (
        <details className="mt-2">
          <summary className="cursor-pointer text-attention">{words.notices({ n: notices.length })}</summary>
          <ul className="max-h-40 overflow-y-auto pl-4 text-caption">
            {notices.map((one, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: lines of one report
              <li key={i}>{one.message}</li>
            ))}
          </ul>
        </details>
      ) : null}
      {read.statements === 0 ? <Message look="attention">{words.noStatements}</Message> : null}
    </section>
  )
}
