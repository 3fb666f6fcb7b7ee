import { useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import type { Criterion, Rubric } from '@/api/question'
import { checkRubric, readCells } from '@/api/rubrics'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Gap, Pick } from '@/ui/Sentence'
import { useToast } from '@/ui/Toasts'
import { freshId } from '../fresh'
import { RowText } from '../RowText'
import { Checklist } from './Checklist'
import { Groups } from './Groups'
import { freshCriterion, isBlank, schemeOf, withScheme } from './levels'
import { RubricGrid } from './RubricGrid'

const words = texts.rubric
const MOST_CRITERIA = 50

type Props = {
  rubric: Rubric
  /** Of the part it is for; null where it is for none yet. */
  points: number | null
  media: (id: string) => string
  onChange: (rubric: Rubric, place: string) => void
}

/** A rubric as a grid that is typed in like a spreadsheet, with what it gives at most beside what the part is worth. */
export function RubricEditor({ rubric, points, media, onChange }: Props) {
  const tell = useToast()
  const scheme = schemeOf(rubric)
  const asked = useDebouncedValue(JSON.stringify({ rubric, points }), 400)
  const checked = useQuery({
    queryKey: ['rubric', asked],
    queryFn: () => {
      const { rubric, points } = JSON.parse(asked)
      return checkRubric(rubric, points)
    },
    placeholderData: (before) => before,
    retry: false,
    gcTime: 0,
  })
  const findings = checked.data?.findings ?? []
  const problem = (path: string) => findings.find((one) => one.path === `/rubric${path}` || one.path.startsWith(`/rubric${path}/`))?.message
  const now = useRef({ rubric, onChange })
  now.current = { rubric, onChange }
  const put = (changed: Partial<Rubric>, place: string) => now.current.onChange({ ...now.current.rubric, ...changed }, place)
  const setCriteria = (criteria: Criterion[], place: string) => put({ criteria }, place)
  const mayAdd = rubric.criteria.length < MOST_CRITERIA && !(scheme === 'holistic' && rubric.criteria.length > 0)
  /** Cells replace a rubric nobody has written in yet; otherwise they follow the row they were pasted into. */
  const pasteCells = async (text: string, after: number) => {
    try {
      const read = await readCells(text, scheme)
      const before = now.current.rubric
      const kept = isBlank(before) ? [] : before.criteria
      if (kept.length + read.length > MOST_CRITERIA)
        return tell({ text: words.tooMany({ most: MOST_CRITERIA, n: kept.length + read.length }), look: 'problem' })
      const named: Criterion[] = []
      for (const one of read) named.push({ ...one, id: freshId([...kept, ...named], 'c') })
      const at = kept.length === 0 ? 0 : after + 1
      put({ criteria: [...kept.slice(0, at), ...named, ...kept.slice(at)] }, '')
      tell({ text: words.pasted({ n: read.length }) })
    } catch (problem) {
      tell({ text: problem instanceof Error ? problem.message : words.notRead, look: 'problem' })
    }
  }
  const Grid = scheme === 'checklist' ? Checklist : RubricGrid
  const whole = findings.filter((one) => one.path === '/rubric')
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 px-2">
        <Pick
          aria-label={words.scheme}
          value={scheme}
          options={Object.entries(words.schemes)}
          onChange={(next) => onChange(withScheme(rubric, next as NonNullable<Rubric['scheme']>), '')}
        />
        <Gap
          wide
          aria-label={words.title}
          placeholder={words.titleHint}
          maxLength={1000}
          value={rubric.title ?? ''}
          onChange={(event) => put({ title: event.target.value }, 'rubric title')}
        />
        <span className="text-caption text-quiet max-xl:hidden">{words.gridHint}</span>
      </div>
      <div className="small-text px-3">
        <RowText
          value={rubric.html ?? ''}
          label={words.guidance}
          placeholder={words.guidanceHint}
          media={media}
          onChange={(html) => put({ html }, 'rubric guidance')}
        />
      </div>
      <Grid rubric={rubric} media={media} problem={problem} onChange={setCriteria} onPasteCells={pasteCells} mayAdd={mayAdd} />
      {scheme === 'checklist' ? <Groups rubric={rubric} onChange={put} /> : null}
      <footer className="flex flex-wrap items-baseline gap-x-4 gap-y-1 px-2">
        {mayAdd ? (
          <Button
            look="quiet"
            className="!px-1"
            onClick={() =>
              setCriteria([...rubric.criteria, freshCriterion(freshId(rubric.criteria, 'c'), scheme, rubric.criteria.at(-1))], '')
            }
          >
            {scheme === 'checklist' ? words.addPoint : words.addCriterion}
          </Button>
        ) : null}
        {scheme === 'checklist' ? (
          <span className="flex items-baseline gap-1">
            {words.inAllAtMost}
            <Gap
              aria-label={words.inAllAtMost}
              inputMode="decimal"
              placeholder={words.noMost}
              value={rubric.cap === null || rubric.cap === undefined ? '' : String(rubric.cap)}
              onChange={(event) => {
                const typed = Number(event.target.value.replace(',', '.'))
                if (event.target.value === '') put({ cap: null }, 'rubric cap')
                else if (Number.isFinite(typed) && typed >= 0) put({ cap: typed }, 'rubric cap')
              }}
            />
          </span>
        ) : null}
        <span role="status" className="ml-auto font-semibold">
          {checked.data
            ? points === null
              ? words.upTo({ n: checked.data.highest })
              : words.upToOf({ n: checked.data.highest, of: points })
            : ''}
        </span>
      </footer>
      {whole.map((one) => (
        <p key={one.code} className="px-2 text-caption text-attention">
          {one.message}
        </p>
      ))}
      {checked.isError ? <p className="px-2 text-caption text-problem">{checked.error.message}</p> : null}
    </div>
  )
}
