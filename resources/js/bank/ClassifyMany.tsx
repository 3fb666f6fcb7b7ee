import { type FormEvent, useState } from 'react'
import type { Classification, Target } from '@/api/actions'
import { control } from '@/components/Field'
import { FormDialog } from '@/components/FormDialog'
import { PathsField, WordsField } from '@/record/Fields'
import { difficulties, statuses, useKnown } from '@/record/RecordForm'
import { useClassify } from '@/record/useClassify'
import { texts } from '@/texts'

type Props = { slug: string; target: Target; count: number; only?: 'folders'; onClose: () => void; onDone: () => void }
const leave = 'leave'

/** Many questions at once: only what is filled in is changed. */
export function ClassifyMany({ slug, target, count, only, onClose, onDone }: Props) {
  const known = useKnown(slug)
  const act = useClassify(slug)
  const [lists, setLists] = useState<Record<string, string[]>>({})
  const [paths, setPaths] = useState<Record<string, string[][]>>({})
  const submit = (event: FormEvent<HTMLFormElement>) => {
    const form = new FormData(event.currentTarget)
    const record: NonNullable<Classification['record']> = {}
    for (const field of ['status', 'difficulty', 'level', 'source', 'licence', 'author']) {
      const value = String(form.get(field) ?? '')
      if (value === '' && field !== 'difficulty') continue
      if (value === leave) continue
      record[field] = { set: field === 'difficulty' ? (value === '' ? null : Number(value)) : value }
    }
    const add = lists.addTags ?? []
    const remove = lists.removeTags ?? []
    if (add.length + remove.length > 0) record.tags = { add, remove }
    if ((lists.purpose ?? []).length > 0) record.purpose = { add: lists.purpose ?? [] }
    if (only) for (const field of Object.keys(record)) delete record[field]
    const change: Classification = {
      record,
      topics: { add: paths.addTopics ?? [], remove: paths.removeTopics ?? [] },
      folders: { add: paths.addFolders ?? [] },
    }
    act.mutate({ target, change }, { onSuccess: onDone })
  }
  const words = (name: string, label: string, known: string[]) => (
    <Line label={label}>
      <WordsField
        label={label}
        words={lists[name] ?? []}
        known={known}
        onAdd={(word) => setLists((now) => ({ ...now, [name]: [...(now[name] ?? []), word] }))}
        onRemove={(word) => setLists((now) => ({ ...now, [name]: (now[name] ?? []).filter((one) => one !== word) }))}
      />
    </Line>
  )
  const places = (name: string, label: string, pick: string, all: string[][]) => (
    <Line label={label}>
      <PathsField
        label={label}
        pick={pick}
        paths={paths[name] ?? []}
        all={all}
        onAdd={(path) => setPaths((now) => ({ ...now, [name]: [...(now[name] ?? []), path] }))}
        onRemove={(path) => setPaths((now) => ({ ...now, [name]: (now[name] ?? []).filter((one) => one.join() !== path.join()) }))}
      />
    </Line>
  )
  const choice = (name: string, label: string, options: [string, string][]) => (
    <Line label={label}>
      <select name={name} aria-label={label} className={control} defaultValue={leave}>
        <option value={leave}>{texts.record.leave}</option>
        {options.map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </select>
    </Line>
  )
  const text = (name: string, label: string) => (
    <Line label={label}>
      <input name={name} aria-label={label} placeholder={texts.record.leave} maxLength={1000} className={`${control} w-full`} />
    </Line>
  )
  return (
    <FormDialog
      onClose={onClose}
      title={only ? texts.bank.placeIn : texts.record.many(count)}
      about={only ? undefined : texts.record.manyAbout}
      go={texts.record.apply(count)}
      disabled={act.isPending}
      onSubmit={submit}
      className="boxed-fields flex flex-col gap-2"
    >
      {only ? null : (
        <>
          {places('addTopics', texts.record.addTopics, texts.record.pickTopic, known.topics)}
          {places('removeTopics', texts.record.removeTopics, texts.record.pickTopic, known.topics)}
          {words('addTags', texts.record.addTags, known.tags)}
          {words('removeTags', texts.record.removeTags, known.tags)}
          {choice('status', texts.record.status, statuses)}
          {choice('difficulty', texts.record.difficulty, difficulties)}
          {text('level', texts.record.level)}
          {words('purpose', texts.record.purpose, [])}
          {text('author', texts.record.author)}
          {text('source', texts.record.source)}
          {text('licence', texts.record.licence)}
        </>
      )}
      {places('addFolders', texts.record.addFolders, texts.record.pickFolder, known.folders)}
      {act.isError ? (
        <p role="alert" className="text-problem">
          {act.error.message}
        </p>
      ) : null}
    </FormDialog>
  )
}

function Line({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-[140px_1fr] items-center gap-3">
      <span className="text-caption text-second">{label}</span>
      <div className="min-w-0">{children}</div>
    </div>
  )
}
