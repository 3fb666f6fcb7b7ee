import type { Criterion, Rubric } from '@/api/question'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { withAlignment, withoutAlignment } from '@/standards/alignmentTo'
import { StandardsField } from '@/standards/StandardsField'
import { Gap, Pick } from '@/ui/Sentence'
import { RowText } from '../RowText'

const words = texts.rubric

/** What else holds for a criterion, in a few words; nothing where it simply counts. */
export function moreSaid(one: Criterion, rubric: Rubric): string {
  const named = (id: string) => rubric.criteria.find((it) => it.id === id)?.title || id
  return [
    one.weight && one.weight !== '1' ? words.times({ n: one.weight }) : '',
    typeof one.cap === 'number' ? words.atMost({ n: one.cap }) : '',
    one.needs?.length ? words.onlyIf({ what: list(one.needs.map((id) => `“${named(id)}”`)) }) : '',
  ]
    .filter(Boolean)
    .join('; ')
}

type Props = {
  criterion: Criterion
  rubric: Rubric
  media: (id: string) => string
  onChange: (changed: Partial<Criterion>, place: string) => void
}

/** How often it counts, its most, whether it may take points off, what it depends on, the group it is in. */
export function CriterionMore({ criterion: one, rubric, media, onChange }: Props) {
  const others = rubric.criteria.filter((it) => it.id !== one.id)
  const groups = rubric.groups ?? []
  const called = one.title || one.id
  const named = (it: Criterion) => it.title || words.criterionNumber({ n: rubric.criteria.indexOf(it) + 1 })
  return (
    <div className="mt-1 flex flex-col gap-1.5 rounded-ui bg-well px-2 py-2 text-caption">
      <RowText
        value={one.html ?? ''}
        label={words.aboutOf({ what: called })}
        placeholder={words.about}
        media={media}
        onChange={(html) => onChange({ html }, `${one.id} about`)}
      />
      <span className="flex flex-wrap items-baseline gap-1">
        {words.countsTimes}
        <Gap
          aria-label={`${words.countsTimes}: ${called}`}
          inputMode="decimal"
          value={one.weight ?? '1'}
          onChange={(event) => onChange({ weight: event.target.value }, `${one.id} weight`)}
        />
      </span>
      <span className="flex flex-wrap items-baseline gap-1">
        {words.countsAtMost}
        <Gap
          aria-label={`${words.countsAtMost}: ${called}`}
          inputMode="decimal"
          placeholder={words.noMost}
          value={one.cap === null || one.cap === undefined ? '' : String(one.cap)}
          onChange={(event) => {
            const typed = Number(event.target.value.replace(',', '.'))
            if (event.target.value === '') onChange({ cap: null }, `${one.id} cap`)
            else if (Number.isFinite(typed) && typed >= 0) onChange({ cap: typed }, `${one.id} cap`)
          }}
        />
      </span>
      {groups.length > 0 ? (
        <span className="flex flex-wrap items-baseline gap-1">
          {words.inGroup}
          <Pick
            aria-label={`${words.inGroup}: ${called}`}
            value={one.group ?? ''}
            options={[
              ['', words.noGroup],
              ...groups.map((group, i): [string, string] => [group.id, group.title || words.groupNumber({ n: i + 1 })]),
            ]}
            onChange={(group) => onChange({ group: group === '' ? null : group }, '')}
          />
        </span>
      ) : null}
      <label className="flex items-center gap-1.5">
        <input
          type="checkbox"
          className="accent-accent"
          checked={one.negative === true}
          onChange={(event) => onChange({ negative: event.target.checked }, '')}
        />
        {words.mayTakeOff}
      </label>
      <span className="flex flex-wrap items-baseline gap-1">
        {texts.record.standards}
        <StandardsField
          label={`${texts.record.standards}: ${called}`}
          standards={one.standards ?? []}
          onAdd={(added) => onChange({ standards: withAlignment(one.standards, added) }, '')}
          onRemove={(gone) => onChange({ standards: withoutAlignment(one.standards, gone) }, '')}
        />
      </span>
      {others.length > 0 ? (
        <fieldset>
          <legend>{words.needs}</legend>
          {others.map((it) => (
            <label key={it.id} className="flex items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-accent"
                checked={one.needs?.includes(it.id) === true}
                onChange={(event) =>
                  onChange(
                    { needs: event.target.checked ? [...(one.needs ?? []), it.id] : (one.needs ?? []).filter((id) => id !== it.id) },
                    '',
                  )
                }
              />
              {named(it)}
            </label>
          ))}
        </fieldset>
      ) : null}
    </div>
  )
}
