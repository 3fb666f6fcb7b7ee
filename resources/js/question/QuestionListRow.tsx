import { memo } from 'react'
import type { QuestionRow } from '@/api/schema'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { useDetails } from '@/question/details/useDetails'
import { Level } from '@/ui/Strata'
import { Tick } from '@/ui/Tick'

const LOW = 84
const LINE = 12

/** Rows are as high as the chosen details need. */
export function useRowHeight(): number {
  const { has } = useDetails()
  return has('place') || has('source') ? LOW + LINE : LOW
}

type RowProps = {
  row: QuestionRow
  active: boolean
  selected: boolean
  taken?: boolean
  /** Where it lives is said, in a list over several banks. */
  withBank?: boolean
}

/** A question in a list: title, first words with what was found marked, and what it is. */
export const QuestionListRow = memo(function QuestionListRow({ row, active, selected, taken, withBank }: RowProps) {
  const { has } = useDetails()
  const where = [...(has('place') ? row.places.slice(0, 3) : []), ...(has('source') && row.source !== '' ? [row.source] : [])]
  return (
    <div
      className={`flex h-full items-start gap-3 overflow-hidden border-hairline border-b border-l-3 px-3 py-2.5 ${active ? 'border-l-accent bg-paper' : 'border-l-transparent hover:bg-well'} ${selected && !active && !taken ? 'bg-accent-tint' : ''}`}
    >
      <span data-tick="" title={texts.bank.select({ title: row.title })} className="-m-2 p-2 pt-3">
        <Tick on={selected} />
      </span>
      {row.has_thumbnail ? (
        <img
          src={`/api/v1/questions/${row.id}/thumbnail?revision=${row.revision}`}
          alt=""
          loading="lazy"
          className="order-last h-16 w-20 flex-none rounded-ui bg-white object-contain p-0.5"
        />
      ) : null}
      {has('difficulty') ? (
        <Level value={row.difficulty} label={row.difficulty === null ? '' : texts.bank.difficulty({ n: row.difficulty })} />
      ) : null}
      <span className="min-w-0 flex-1">
        <span className="flex gap-3">
          <span className="min-w-0 flex-1 truncate font-semibold">
            <Marks pieces={row.title_marks} />
          </span>
          {row.kinds.length > 0 ? <span className="flex-none text-second">{texts.points({ n: row.points })}</span> : null}
        </span>
        <span className="block truncate font-serif text-second">
          {row.found_marks ? (
            <>
              <span className="font-sans text-caption text-quiet">{texts.bank.foundIn[row.found_in ?? '']}: </span>
              <Marks pieces={row.found_marks} />
            </>
          ) : (
            <Marks pieces={row.stem_marks} />
          )}
        </span>
        <span className="flex h-4 flex-wrap gap-x-3 overflow-hidden text-caption text-second">
          <span>{kindWords(row.kinds)}</span>
          {has('state') ? <span className={row.status === 'approved' ? 'text-accent' : ''}>{texts.status[row.status]}</span> : null}
          {taken ? <strong className="text-information">{texts.bank.taken}</strong> : null}
          {row.has_variables && !row.has_bad_rolls ? <span>{texts.bank.varies}</span> : null}
          {row.has_bad_rolls ? <strong className="text-attention">{texts.bank.badRolls}</strong> : null}
          {row.specimens_failing > 0 ? (
            <strong className="text-problem">{texts.bank.specimensFail({ failing: row.specimens_failing, of: row.specimens })}</strong>
          ) : null}
          {row.is_complete || row.specimens_failing > 0 ? null : <span className="text-attention">{texts.bank.incomplete}</span>}
          {row.named ? null : <span className="text-attention">{texts.bank.mute}</span>}
          {withBank ? <strong>{row.bank_name}</strong> : null}
          {(has('standards') ? row.standards : []).slice(0, 3).map((one) => (
            <span
              key={`${one.framework} ${one.code}`}
              title={`${one.framework}: ${one.text || one.code}`}
              className={`font-mono ${one.touches ? 'text-quiet' : ''}`}
            >
              {one.code}
            </span>
          ))}
          {row.tags.slice(0, 4).map((tag) => (
            <span key={tag} className="text-quiet">
              {tag}
            </span>
          ))}
        </span>
        {where.length > 0 ? <span className="block truncate text-caption text-second">{where.join(' · ')}</span> : null}
      </span>
    </div>
  )
})

export function Marks({ pieces }: { pieces: [string, boolean][] }) {
  // biome-ignore lint/suspicious/noArrayIndexKey: pieces of one text, told by their place
  return pieces.map(([text, marked], i) => (marked ? <mark key={i}>{text}</mark> : <span key={i}>{text}</span>))
}
