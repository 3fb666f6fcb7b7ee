import { type ReactNode, useState } from 'react'
import { changeMany, type Target } from '@/api/acts'
import { control } from '@/components/Field'
import { FormDialog } from '@/components/FormDialog'
import { Message } from '@/components/Message'
import { PathsField, WordsField } from '@/record/Fields'
import { difficulties, statuses, useKnown } from '@/record/RecordForm'
import { texts } from '@/texts'
import { type Draft, emptyDraft, toChange } from './draft'
import { MaybeFollow } from './MaybeFollow'
import { PreviewPane, usePreview } from './PreviewPane'
import { useMany } from './useMany'

const words = texts.acts.change
type Props = { slug: string; target: Target; count: number; onClose: () => void }

/** Many questions changed at once: what to change on the left, what that does on the right, before it is done. */
export function ChangeMany({ slug, target, count, onClose }: Props) {
  const [draft, setDraft] = useState(emptyDraft)
  const change = toChange(draft)
  const preview = usePreview(slug, target, change)
  const many = useMany(() => changeMany(slug, target, change ?? {}), onClose)
  const set = (some: Partial<Draft>) => setDraft((now) => ({ ...now, ...some }))
  return (
    <MaybeFollow act={many.act} title={words.title(count)} onClose={onClose}>
      <FormDialog
        wide
        onClose={onClose}
        title={words.title(count)}
        about={words.about}
        go={words.go(count)}
        disabled={many.pending || change === null}
        onSubmit={many.begin}
        className="grid grid-cols-2 gap-6 max-md:grid-cols-1"
      >
        <div className="boxed-fields flex min-w-0 flex-col gap-4">
          <Classification slug={slug} draft={draft} set={set} />
        </div>
        <div className="min-w-0 border-hairline border-l pl-6 max-md:border-0 max-md:pl-0">
          {many.problem ? <Message look="problem">{many.problem}</Message> : null}
          <PreviewPane preview={preview} />
        </div>
      </FormDialog>
    </MaybeFollow>
  )
}

type SectionProps = { slug: string; draft: Draft; set: (some: Partial<Draft>) => void }

function Classification({ slug, draft, set }: SectionProps) {
  const known = useKnown(slug)
  const wordsLine = (name: keyof Draft['words'], label: string, all: string[]) => (
    <Line label={label}>
      <WordsField
        label={label}
        words={draft.words[name]}
        known={all}
        onAdd={(word) => set({ words: { ...draft.words, [name]: [...draft.words[name], word] } })}
        onRemove={(word) => set({ words: { ...draft.words, [name]: draft.words[name].filter((one) => one !== word) } })}
      />
    </Line>
  )
  const pathsLine = (name: keyof Draft['paths'], label: string, pick: string, all: string[][]) => (
    <Line label={label}>
      <PathsField
        label={label}
        pick={pick}
        paths={draft.paths[name]}
        all={all}
        onAdd={(path) => set({ paths: { ...draft.paths, [name]: [...draft.paths[name], path] } })}
        onRemove={(path) => set({ paths: { ...draft.paths, [name]: draft.paths[name].filter((one) => one.join() !== path.join()) } })}
      />
    </Line>
  )
  const choice = (name: string, label: string, options: [string, string][]) => (
    <Line label={label}>
      <Choice
        label={label}
        value={name in draft.record ? (draft.record[name] ?? '') : undefined}
        options={options}
        onChange={(value) => set({ record: withField(draft.record, name, value === undefined ? undefined : value === '' ? null : value) })}
      />
    </Line>
  )
  const text = (name: string, label: string) => (
    <Line label={label}>
      <TextLine label={label} value={draft.record[name]} onChange={(value) => set({ record: withField(draft.record, name, value) })} />
    </Line>
  )
  return (
    <>
      <Section title={words.sections.classify ?? ''}>
        {pathsLine('addTopics', texts.record.addTopics, words.pickTopic, known.topics)}
        {pathsLine('removeTopics', texts.record.removeTopics, words.pickTopic, known.topics)}
        {wordsLine('addTags', texts.record.addTags, known.tags)}
        {wordsLine('removeTags', texts.record.removeTags, known.tags)}
        {choice('status', texts.record.status, statuses)}
        {choice('difficulty', texts.record.difficulty, difficulties)}
        {text('level', texts.record.level)}
        {wordsLine('addPurpose', words.addPurpose, [])}
        {wordsLine('removePurpose', words.removePurpose, [])}
        {text('minutes', words.minutes)}
      </Section>
      <Section title={words.sections.places ?? ''}>
        {pathsLine('addFolders', words.addFolders, words.pickFolder, known.folders)}
        {pathsLine('removeFolders', words.removeFolders, words.pickFolder, known.folders)}
      </Section>
      <Section title={words.sections.asked ?? ''}>
        <Line label={words.points}>
          <input
            aria-label={words.points}
            placeholder={words.leave}
            inputMode="decimal"
            className={`${control} w-full`}
            value={draft.points}
            onChange={(event) => set({ points: event.target.value.replace(',', '.') })}
          />
        </Line>
        <Line label={words.shuffle}>
          <Choice
            label={words.shuffle}
            value={draft.shuffle || undefined}
            options={Object.entries(words.shuffles)}
            onChange={(value) => set({ shuffle: (value ?? '') as Draft['shuffle'] })}
          />
        </Line>
        <Line label={words.attempts}>
          <Choice
            label={words.attempts}
            value={draft.tries || undefined}
            options={[['any', words.unlimited], ...[1, 2, 3, 4, 5].map((times): [string, string] => [String(times), words.tries(times)])]}
            onChange={(value) => set({ tries: value ?? '' })}
          />
        </Line>
        {draft.tries === '' ? null : (
          <Line label={words.cost}>
            <input
              aria-label={words.cost}
              placeholder={words.costHint}
              className={`${control} w-full`}
              value={draft.cost}
              onChange={(event) => set({ cost: event.target.value })}
            />
          </Line>
        )}
        <Line label={words.show}>
          <Choice
            label={words.show}
            value={draft.show || undefined}
            options={Object.entries(texts.parts.shows)}
            onChange={(value) => set({ show: value ?? '' })}
          />
        </Line>
        <Line label={words.language}>
          <input
            aria-label={words.language}
            placeholder={`${words.leave}; ${words.languageHint}`}
            maxLength={35}
            className={`${control} w-full`}
            value={draft.language}
            onChange={(event) => set({ language: event.target.value })}
          />
        </Line>
        <label className="flex items-start gap-2">
          <input type="checkbox" className="mt-1" checked={draft.names} onChange={(event) => set({ names: event.target.checked })} />
          {words.names}
        </label>
      </Section>
      <Section title={words.sections.origin ?? ''}>
        {text('author', texts.record.author)}
        {text('source', texts.record.source)}
        {text('work', words.work)}
        {text('licence', texts.record.licence)}
      </Section>
    </>
  )
}

function withField(record: Draft['record'], name: string, value: string | null | undefined): Draft['record'] {
  const { [name]: _, ...rest } = record
  return value === undefined ? rest : { ...rest, [name]: value }
}

const LEAVE = '\u0000leave'

/** @param value undefined: left as it is */
function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string | undefined
  options: [string, string][]
  onChange: (value: string | undefined) => void
}) {
  return (
    <select
      aria-label={label}
      className={`${control} w-full`}
      value={value ?? LEAVE}
      onChange={(event) => onChange(event.target.value === LEAVE ? undefined : event.target.value)}
    >
      <option value={LEAVE}>{words.leave}</option>
      {options.map(([key, title]) => (
        <option key={key} value={key}>
          {title}
        </option>
      ))}
    </select>
  )
}

/** @param value undefined: left as it is, null: emptied */
function TextLine({
  label,
  value,
  onChange,
}: {
  label: string
  value: string | null | undefined
  onChange: (value: string | null | undefined) => void
}) {
  const emptied = value === null
  return (
    <div className="flex gap-1">
      <input
        aria-label={label}
        placeholder={emptied ? words.emptied : words.leave}
        maxLength={1000}
        className={`${control} min-w-0 flex-1`}
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value === '' ? undefined : event.target.value)}
      />
      <button
        type="button"
        aria-pressed={emptied}
        aria-label={words.empty(label)}
        title={words.empty(label)}
        className="min-h-8 min-w-8 rounded-ui border border-transparent text-quiet hover:border-edge aria-pressed:border-accent aria-pressed:bg-accent-tint aria-pressed:text-accent"
        onClick={() => onChange(emptied ? undefined : null)}
      >
        <span aria-hidden="true">∅</span>
      </button>
    </div>
  )
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-2">
      <h3 className="border-hairline border-b pb-1 text-caption text-quiet">{title}</h3>
      {children}
    </section>
  )
}

function Line({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[120px_1fr] items-center gap-3">
      <span className="text-caption text-second">{label}</span>
      <div className="min-w-0">{children}</div>
    </div>
  )
}
