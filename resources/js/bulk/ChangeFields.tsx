import { texts } from '@/messages'
import { PathsField, WordsField } from '@/question/record/Fields'
import { difficulties, statuses, useKnown } from '@/question/record/RecordForm'
import { withAlignment, withoutAlignment } from '@/standards/alignmentTo'
import { StandardsField } from '@/standards/StandardsField'
import { control } from '@/ui/Field'
import { Choice, Line, Section, TextLine } from './ChangeLines'
import type { Draft } from './draft'

const words = texts.acts.change
type FieldsProps = {
  slug: string
  draft: Draft
  set: (some: Partial<Draft>) => void
  /** What the server says of a field, by its name. */
  problem: { field: string; text: string } | null
}

/** Everything of many questions that can be changed at once; each begins as left alone. */
export function ChangeFields({ slug, draft, set, problem }: FieldsProps) {
  const known = useKnown(slug)
  const wrong = (field: string) => (problem?.field === field ? problem.text : undefined)
  const wordsLine = (name: keyof Draft['words'], label: string, all: string[]) => (
    <Line label={label}>
      <WordsField
        label={label}
        inputLabel={label}
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
        inputLabel={label}
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
    <Line label={label} problem={wrong(name)}>
      <TextLine label={label} value={draft.record[name]} onChange={(value) => set({ record: withField(draft.record, name, value) })} />
    </Line>
  )
  return (
    <>
      <Section title={words.sections.classify ?? ''}>
        {pathsLine('addTopics', texts.record.addTopics, words.pickTopic, known.topics)}
        {pathsLine('removeTopics', texts.record.removeTopics, words.pickTopic, known.topics)}
        {(['add', 'remove'] as const).map((how) => (
          <Line key={how} label={words.standards[how]}>
            <StandardsField
              label={words.standards[how]}
              standards={draft.standards[how]}
              onAdd={(one) => set({ standards: { ...draft.standards, [how]: withAlignment(draft.standards[how], one) } })}
              onRemove={(one) => set({ standards: { ...draft.standards, [how]: withoutAlignment(draft.standards[how], one) } })}
            />
          </Line>
        ))}
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
        <Line label={words.points} problem={wrong('points')}>
          <input
            aria-label={words.points}
            placeholder={words.leave}
            inputMode="decimal"
            className={`${control} w-full`}
            value={draft.points}
            onChange={(event) => set({ points: event.target.value })}
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
            options={[
              ['any', words.unlimited],
              ...[1, 2, 3, 4, 5].map((times): [string, string] => [String(times), words.tries({ count: times })]),
            ]}
            onChange={(value) => set({ tries: value ?? '' })}
          />
        </Line>
        {draft.tries === '' ? null : (
          <Line label={words.cost} problem={wrong('cost')}>
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
        <Line label={words.language} problem={wrong('language')}>
          <input
            aria-label={words.language}
            placeholder={`${words.leave}; ${words.languageHint}`}
            maxLength={35}
            className={`${control} w-full`}
            value={draft.language}
            onChange={(event) => set({ language: event.target.value })}
          />
        </Line>
        <Line label={texts.tools.calculator}>
          <Choice
            label={texts.tools.calculator}
            value={draft.calculator || undefined}
            options={Object.entries(texts.tools.calculators)}
            onChange={(value) => set({ calculator: value ?? '' })}
          />
        </Line>
        <Line label={texts.tools.limit} problem={wrong('time_limit')}>
          <input
            aria-label={texts.tools.limit}
            placeholder={`${words.leave}; ${words.limitHint}`}
            inputMode="decimal"
            className={`${control} w-full`}
            value={draft.limit}
            onChange={(event) => set({ limit: event.target.value })}
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
