import type { ReactNode } from 'react'
import type { PrintSettings } from '@/api/assembly'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { Box } from './PrintForm'

type Props = { settings: PrintSettings; ofForms: boolean; mayWrite: boolean; onChange: (settings: PrintSettings) => void }

const printing = texts.assembly.printing
const words = texts.paper.print
/** Said, since names that are numbers come first otherwise. */
const LABELS = ['', 'A', 'a', '1', 'i', 'none']

/** What holds of the whole paper: its top, its questions, the page, its words, and what is told beside questions. */
export function LayoutFields({ settings, ofForms, mayWrite, onChange }: Props) {
  const set = (change: PrintSettings) => onChange({ ...settings, ...change })
  const text = (label: string, field: 'school' | 'course' | 'aids' | 'prefix', longest: number, hint = '') => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Text
        value={settings[field] ?? ''}
        maxLength={longest}
        placeholder={hint}
        disabled={!mayWrite}
        onChange={(event) => set({ [field]: event.target.value })}
      />
    </Field.Root>
  )
  const choice = (
    label: string,
    field: 'space' | 'size' | 'paper' | 'points_at' | 'look' | 'font' | 'numbering' | 'labels' | 'stimuli' | 'language',
    usual: string,
    options: Record<string, string>,
    order = Object.keys(options),
  ) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Choice value={settings[field] ?? usual} disabled={!mayWrite} onChange={(event) => set({ [field]: event.target.value })}>
        {order.map((key) => (
          <option key={key} value={key}>
            {options[key]}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
  const box = (
    label: string,
    field: 'name' | 'date' | 'group' | 'score' | 'boxes' | 'points' | 'roll' | 'standards' | 'difficulty' | 'source',
    usual: boolean,
  ) => <Box label={label} checked={settings[field] ?? usual} disabled={!mayWrite} onChange={(on) => set({ [field]: on })} />
  return (
    <>
      <Part title={words.head} open>
        {text(words.school, 'school', 200)}
        {text(words.course, 'course', 200)}
        {box(printing.fields.name, 'name', true)}
        {box(words.group, 'group', false)}
        {box(printing.fields.date, 'date', true)}
        {box(printing.fields.score, 'score', true)}
        {text(words.aids, 'aids', 1000, words.aidsHint)}
      </Part>
      <Part title={words.page} open>
        <Field.Root>
          <Field.Label>{printing.columns}</Field.Label>
          <Field.Choice
            value={String(settings.columns ?? 1)}
            disabled={!mayWrite}
            onChange={(event) => set({ columns: Number(event.target.value) })}
          >
            <option value="1">1</option>
            <option value="2">2</option>
          </Field.Choice>
        </Field.Root>
        {choice(printing.space, 'space', 'usual', printing.spaces)}
        {choice(printing.size, 'size', 'usual', printing.sizes)}
        {choice(words.look, 'look', 'usual', words.looks)}
        {choice(words.font, 'font', settings.look === 'reading' ? 'sans' : 'serif', words.fonts)}
        {choice(printing.paper, 'paper', 'A4', { A4: 'A4', letter: 'Letter' })}
      </Part>
      <Part title={words.questions}>
        {choice(words.numbering, 'numbering', 'through', words.numberings)}
        {text(words.prefix, 'prefix', 20, words.prefixHint)}
        {choice(words.labels, 'labels', '', words.labelStyles, LABELS)}
        {ofForms ? <p className="text-caption text-quiet">{words.labelsOfForms}</p> : null}
        {box(printing.fields.points, 'points', true)}
        {choice(words.pointsAt, 'points_at', 'margin', words.pointsAts)}
        {box(words.boxes, 'boxes', false)}
        {choice(words.stimuli, 'stimuli', 'once', words.stimulis)}
      </Part>
      <Part title={words.words}>
        {choice(words.language, 'language', '', words.languages)}
        <p className="text-caption text-second">{words.byHand}</p>
        {Object.entries(words.wordNames).map(([name, title]) => (
          <Field.Root key={name}>
            <Field.Label>{words.insteadOf({ word: title })}</Field.Label>
            <Field.Text
              value={settings.words?.[name] ?? ''}
              maxLength={200}
              disabled={!mayWrite}
              onChange={(event) => {
                const { [name]: _, ...others } = settings.words ?? {}
                set({ words: event.target.value === '' ? others : { ...others, [name]: event.target.value } })
              }}
            />
          </Field.Root>
        ))}
      </Part>
      <Part title={words.author}>
        {box(words.roll, 'roll', false)}
        {box(words.standards, 'standards', false)}
        {box(words.difficulty, 'difficulty', false)}
        {box(words.source, 'source', false)}
      </Part>
    </>
  )
}

function Part({ title, open, children }: { title: string; open?: boolean; children: ReactNode }) {
  return (
    <details {...(open ? { open: true } : {})} className="border-hairline border-t pt-2">
      <summary className="cursor-pointer font-semibold">{title}</summary>
      <div className="flex flex-col gap-3 pt-2">{children}</div>
    </details>
  )
}
