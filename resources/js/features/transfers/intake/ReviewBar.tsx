import { type FormEvent, useState } from 'react'
import type { StagedChange } from '@/api/intakes'
import type { Alignment } from '@/api/standards'
import type { Selection } from '@/lib/useSelection'
import { texts } from '@/messages'
import { difficulties, statuses, useKnown } from '@/question/record/RecordForm'
import { withAlignment, withoutAlignment } from '@/standards/alignmentTo'
import { StandardsField } from '@/standards/StandardsField'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { Menu } from '@/ui/Menu'
import { useReview } from './useReview'

type Props = { intake: string; slug: string; selection: Selection; found: number; filter: string }
const button = 'min-h-8 rounded-ui border border-on-bar/40 px-3 font-semibold hover:bg-on-bar hover:text-bar'

/** What is selected in a review, and what can be decided of it at once. */
export function ReviewBar({ intake, slug, selection, found, filter }: Props) {
  const review = useReview(intake)
  const [setting, setSetting] = useState(false)
  if (selection.ids.length === 0) return null
  const count = selection.all ? found : selection.ids.length
  const target = selection.all ? { filter } : { ids: selection.ids }
  const act = (change: StagedChange, undo?: StagedChange) =>
    review.mutate({ target, change, ...(undo ? { undo } : {}) }, { onSuccess: selection.clear })
  return (
    <section
      aria-label={texts.intake.selected({ n: count })}
      className="flex min-h-12 flex-none flex-wrap items-center gap-3 bg-bar px-4 py-1.5 text-on-bar"
    >
      <p className="flex-1">
        <strong>{selection.all ? texts.intake.all({ n: found }) : texts.intake.selected({ n: count })}</strong>
      </p>
      {!selection.all && found > count ? (
        <button type="button" className="min-h-8 underline" onClick={selection.selectAll}>
          {texts.intake.selectAll({ n: found })}
        </button>
      ) : null}
      <button type="button" className={button} onClick={() => act({ skipped: true }, { skipped: false })}>
        {texts.intake.skip}
      </button>
      <button type="button" className={button} onClick={() => act({ skipped: false })}>
        {texts.intake.unskip}
      </button>
      <Menu.Root
        button={
          <button type="button" className={button}>
            {texts.intake.shows.duplicate} …
          </button>
        }
      >
        {Object.entries(texts.intake.decisions).map(([value, title]) => (
          <Menu.Item key={value} onSelect={() => act({ decision: value || null })}>
            {title}
          </Menu.Item>
        ))}
      </Menu.Root>
      <button type="button" className={button} onClick={() => setSetting(true)}>
        {texts.intake.set}
      </button>
      <button type="button" className="min-h-8 underline" onClick={selection.clear}>
        {texts.intake.unselect}
      </button>
      {setting ? (
        <SetDialog
          slug={slug}
          count={count}
          onClose={() => setSetting(false)}
          onSet={(change) => {
            setSetting(false)
            act(change)
          }}
        />
      ) : null}
    </section>
  )
}

type SetProps = { slug: string; count: number; onClose: () => void; onSet: (change: StagedChange) => void }

/** Points, topic, tag, state and difficulty for many; what is left empty stays. */
function SetDialog({ slug, count, onClose, onSet }: SetProps) {
  const known = useKnown(slug)
  const [standards, setStandards] = useState<Alignment[]>([])
  const submit = (event: FormEvent<HTMLFormElement>) => {
    const form = new FormData(event.currentTarget)
    const said = (name: string) => String(form.get(name) ?? '').trim()
    const record: NonNullable<StagedChange['record']> = {}
    if (said('status') !== '') record.status = { set: said('status') }
    if (said('difficulty') !== '') record.difficulty = { set: Number(said('difficulty')) }
    if (said('tag') !== '') record.tags = { add: [said('tag')] }
    if (standards.length > 0) record.standards = { add: standards }
    const topic = said('topic')
      .split('›')
      .map((step) => step.trim())
      .filter((step) => step !== '')
    onSet({
      ...(said('points') === '' ? {} : { points: Number(said('points')) }),
      ...(Object.keys(record).length > 0 ? { record } : {}),
      ...(topic.length > 0 ? { topics: { add: [topic] } } : {}),
    })
  }
  const choice = (name: string, label: string, options: [string, string][]) => (
    <Field.Root>
      <Field.Label>{label}</Field.Label>
      <Field.Choice name={name} defaultValue="">
        <option value="">{texts.acts.change.leave}</option>
        {options.map(([value, title]) => (
          <option key={value} value={value}>
            {title}
          </option>
        ))}
      </Field.Choice>
    </Field.Root>
  )
  return (
    <FormDialog
      onClose={onClose}
      title={texts.intake.setTitle({ n: count })}
      about={texts.intake.setAbout}
      go={texts.intake.setGo({ n: count })}
      onSubmit={submit}
      className="grid grid-cols-2 gap-4"
    >
      <Field.Root>
        <Field.Label>{texts.intake.points}</Field.Label>
        <Field.Text name="points" type="number" min={0} max={100000} step={0.0001} placeholder={texts.acts.change.leave} />
      </Field.Root>
      {choice('difficulty', texts.record.difficulty, difficulties.slice(1))}
      <Field.Root>
        <Field.Label>{texts.intake.topic}</Field.Label>
        <Field.Text name="topic" list="known-topics" placeholder={texts.intake.topicHint} />
        <datalist id="known-topics">
          {known.topics.map((path) => (
            <option key={path.join()} value={path.join(' › ')} />
          ))}
        </datalist>
      </Field.Root>
      <Field.Root>
        <Field.Label>{texts.intake.tag}</Field.Label>
        <Field.Text name="tag" list="known-tags" maxLength={100} />
        <datalist id="known-tags">
          {known.tags.map((tag) => (
            <option key={tag} value={tag} />
          ))}
        </datalist>
      </Field.Root>
      {choice('status', texts.record.status, statuses)}
      <div className="col-span-2">
        <span className="text-caption text-second">{texts.record.standards}</span>
        <StandardsField
          label={texts.record.standards}
          standards={standards}
          onAdd={(one) => setStandards(withAlignment(standards, one))}
          onRemove={(one) => setStandards(withoutAlignment(standards, one))}
        />
      </div>
    </FormDialog>
  )
}
