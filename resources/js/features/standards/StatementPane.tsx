import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import type * as schema from '@/api/schema'
import { addStatement, associate, changeStatement, dissociate, type StatementRow } from '@/api/standards'
import { texts } from '@/messages'
import { StatementPicker } from '@/standards/StatementPicker'
import { frameworkName, statementName } from '@/standards/statementName'
import { Button } from '@/ui/Button'
import { Field } from '@/ui/Field'
import { Nothing } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { DeleteDialog } from './DeleteDialog'

const words = texts.standards
const kinds = ['exact', 'broader', 'related', 'replaced_by'] as const
type Props = { framework: schema.WholeFramework; id: string; under?: string; onOpen: (id: string) => void }

/** A statement to read and, for those who keep frameworks, to change; with how it stands to others. */
export function StatementPane({ framework, id, under = '', onOpen }: Props) {
  if (id === '') return <Nothing title={words.pickOne} />
  const statement = framework.statements.find((one) => one.id === id) ?? null
  if (statement === null && id !== 'new') return <Nothing title={words.gone} />
  return (
    <article className="flex flex-col gap-5 px-8 py-6 max-md:px-4">
      {framework.keeps ? (
        <Form framework={framework} statement={statement} under={under} onOpen={onOpen} />
      ) : statement ? (
        <Reading statement={statement} />
      ) : null}
      {statement ? <Links framework={framework} statement={statement} /> : null}
      {statement ? (
        <p>
          <Link className="font-semibold text-accent hover:underline" to={`/find?standard=${statement.id}`}>
            {words.itsQuestions}
          </Link>
        </p>
      ) : null}
    </article>
  )
}

function Reading({ statement }: { statement: StatementRow }) {
  return (
    <>
      <h2 className="text-head font-semibold">{statementName(statement)}</h2>
      <p className="font-serif text-question">{statement.text}</p>
      {statement.notes === '' ? null : <p className="whitespace-pre-line text-second">{statement.notes}</p>}
    </>
  )
}

type FormProps = { framework: schema.WholeFramework; statement: StatementRow | null; under: string; onOpen: (id: string) => void }

function Form({ framework, statement, under, onOpen }: FormProps) {
  const client = useQueryClient()
  const tell = useToast()
  const empty = { code: '', title: '', text: '', level: '', notes: '', parent_id: under === '' ? null : under }
  const stored = statement ?? empty
  const [draft, setDraft] = useState(stored)
  const refresh = () => {
    for (const key of ['frameworks', 'statements', 'coverage']) client.invalidateQueries({ queryKey: [key] })
  }
  const fields = () => ({
    code: draft.code,
    title: draft.title,
    text: draft.text,
    level: draft.level,
    notes: draft.notes,
    ...(statement?.parent_id === draft.parent_id ? {} : { parent: draft.parent_id }), // else it would go to the end
  })
  const save = useMutation({
    mutationFn: async () =>
      statement ? changeStatement(framework.id, statement.id, fields()).then(() => statement.id) : addStatement(framework.id, fields()),
    onSuccess: (id) => {
      refresh()
      tell({ text: words.saved({ name: draft.code || draft.text }) })
      onOpen(id)
    },
  })
  const retire = useMutation({
    mutationFn: async () => (statement ? changeStatement(framework.id, statement.id, { retired: !statement.retired }) : undefined),
    onSuccess: refresh,
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const [removing, setRemoving] = useState(false)
  const line = (name: 'code' | 'title' | 'level', label: string) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Text
        maxLength={name === 'code' ? 200 : 1000}
        value={draft[name]}
        onChange={(event) => setDraft({ ...draft, [name]: event.target.value })}
      />
    </Field.Root>
  )
  const changed = JSON.stringify(draft) !== JSON.stringify(stored)
  return (
    <>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          save.mutate()
        }}
      >
        <h2 className="text-head font-semibold">{statement ? statementName(statement) : words.add}</h2>
        {statement?.retired ? <p className="text-attention">{words.isRetired}</p> : null}
        <div className="grid grid-cols-[160px_1fr] gap-3 max-md:grid-cols-1">
          {line('code', words.code)}
          {line('title', words.short)}
        </div>
        <Field.Root problem={save.error?.message ?? null}>
          <Field.Label>{words.wording}</Field.Label>
          <Field.Area
            rows={3}
            maxLength={20000}
            value={draft.text}
            onChange={(event) => setDraft({ ...draft, text: event.target.value })}
          />
        </Field.Root>
        <div className="grid grid-cols-2 gap-3 max-md:grid-cols-1">
          {line('level', words.level)}
          <BelongsTo framework={framework} parent={draft.parent_id} onChange={(parent_id) => setDraft({ ...draft, parent_id })} />
        </div>
        <Field.Root>
          <Field.Label>{words.notes}</Field.Label>
          <Field.Area
            rows={2}
            maxLength={20000}
            value={draft.notes}
            onChange={(event) => setDraft({ ...draft, notes: event.target.value })}
          />
        </Field.Root>
        <div className="flex flex-wrap gap-2">
          <Button look="primary" type="submit" aria-disabled={save.isPending || (statement !== null && !changed)}>
            {texts.frame.save}
          </Button>
          {statement ? (
            <>
              <Button onClick={() => retire.mutate()}>{statement.retired ? words.bringBack : words.retire}</Button>
              <Button onClick={() => setRemoving(true)}>{words.deleteStatement}</Button>
            </>
          ) : null}
        </div>
      </form>
      {removing && statement ? (
        <DeleteDialog framework={framework} statement={statement} onClose={() => setRemoving(false)} onDeleted={() => onOpen('')} />
      ) : null}
    </>
  )
}

type BelongsToProps = { framework: schema.WholeFramework; parent: string | null; onChange: (parent: string | null) => void }

/** The statement above this one, with a search for another: a framework may have thousands. */
function BelongsTo({ framework, parent, onChange }: BelongsToProps) {
  const above = framework.statements.find((one) => one.id === parent)
  return (
    <fieldset className="min-w-0">
      <legend className="text-caption text-second">{words.belongsTo}</legend>
      <p className="flex min-h-8 items-center gap-2">
        <span className="min-w-0 truncate">{above ? statementName(above) : words.atTop}</span>
        {above ? (
          <Button look="quiet" onClick={() => onChange(null)}>
            {words.toTop}
          </Button>
        ) : null}
      </p>
      <StatementPicker
        label={words.putUnder}
        placeholder={words.putUnder}
        framework={framework.id}
        className="rounded-ui border border-edge"
        onPick={(one) => onChange(one.id)}
      />
    </fieldset>
  )
}

function Links({ framework, statement }: { framework: schema.WholeFramework; statement: StatementRow }) {
  const client = useQueryClient()
  const tell = useToast()
  const [kind, setKind] = useState<(typeof kinds)[number]>('exact')
  const refresh = () => {
    for (const key of ['frameworks', 'coverage']) client.invalidateQueries({ queryKey: [key] })
  }
  const problem = (error: Error) => tell({ text: error.message, look: 'problem' })
  const add = useMutation({
    mutationFn: (to: string) => associate(framework.id, { from: statement.id, to, kind }),
    onSuccess: refresh,
    onError: problem,
  })
  const remove = useMutation({
    mutationFn: (link: schema.AssociationRow) => dissociate(framework.id, { from: link.from_id, to: link.to_id, kind: link.kind }),
    onSuccess: refresh,
    onError: problem,
  })
  const links = framework.associations.filter((one) => one.from_id === statement.id || one.to_id === statement.id)
  return (
    <section aria-label={words.crosswalks}>
      <h3 className="font-semibold">{words.crosswalks}</h3>
      {links.length === 0 ? <p className="text-quiet">{words.noLinks}</p> : null}
      <ul>
        {links.map((one) => (
          <li key={`${one.from_id} ${one.to_id} ${one.kind}`} className="flex items-baseline gap-2 border-hairline border-b py-1">
            <span className="w-36 flex-none text-caption text-second">
              {(one.from_id === statement.id ? words.links : words.linksBack)[one.kind] ?? one.kind}
            </span>
            <span className="min-w-0 flex-1">
              {one.other === null ? (
                <span className="text-attention">{words.elsewhere}</span>
              ) : (
                <>
                  <span className="font-mono">{one.code}</span> {one.text}
                </>
              )}
              <span className="block text-caption text-quiet">{one.framework === frameworkName(framework) ? '' : one.framework}</span>
            </span>
            {framework.keeps ? (
              <Button look="quiet" aria-label={words.unlink({ name: one.code || one.text })} onClick={() => remove.mutate(one)}>
                ×
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {framework.keeps ? (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <select
            aria-label={words.linkKind}
            className="min-h-8 rounded-ui border border-edge bg-paper px-2"
            value={kind}
            onChange={(event) => setKind(event.target.value as (typeof kinds)[number])}
          >
            {kinds.map((one) => (
              <option key={one} value={one}>
                {words.links[one]}
              </option>
            ))}
          </select>
          <StatementPicker label={words.link} className="w-72 rounded-ui border border-edge" onPick={(one) => add.mutate(one.id)} />
        </div>
      ) : null}
    </section>
  )
}
