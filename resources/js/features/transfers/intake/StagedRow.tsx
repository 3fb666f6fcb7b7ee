import type { StagedRow as Row, Severity } from '@/api/intakes'
import { texts } from '@/messages'
import { kindWords } from '@/parts/words'
import { Tick } from '@/ui/Tick'

export const STAGED_HEIGHT = 76
const tones: [Severity, string][] = [
  ['problem', 'text-problem'],
  ['loss', 'text-attention'],
  ['note', 'text-information'],
]

/** A question of an intake in its list: what it is, and what speaks against it. */
export function StagedRow({ row, active, selected }: { row: Row; active: boolean; selected: boolean }) {
  return (
    <div
      className={`flex h-full items-start gap-3 overflow-hidden border-hairline border-b border-l-3 px-3 py-2 ${active ? 'border-l-accent bg-paper' : 'border-l-transparent hover:bg-well'} ${selected && !active ? 'bg-accent-tint' : ''}`}
    >
      <span data-tick="" title={texts.bank.select({ title: row.title })} className="-m-2 p-2 pt-3">
        <Tick on={selected} />
      </span>
      <span className="w-8 flex-none text-right text-quiet tabular-nums">{texts.intake.number({ n: row.number })}</span>
      <span className={`min-w-0 flex-1 ${row.skipped ? 'text-quiet' : ''}`}>
        <span className="flex gap-3">
          <span className={`min-w-0 flex-1 truncate font-semibold ${row.skipped ? 'line-through' : ''}`}>{row.title}</span>
          <span className="flex-none text-second">{texts.points({ n: row.points })}</span>
        </span>
        <span className="block truncate font-serif text-second">{row.stem}</span>
        <span className="flex h-4 flex-wrap gap-x-3 overflow-hidden text-caption text-second">
          {row.skipped ? <strong>{texts.intake.skippedMark}</strong> : null}
          {row.outcome ? <span className="text-accent">{texts.intake.rows[row.outcome]}</span> : null}
          {tones.map(([severity, tone]) => {
            const n = row.notices[severity]
            return n ? (
              <span key={severity} className={tone}>
                {texts.intake.noticeCount[severity]?.({ n })}
              </span>
            ) : null
          })}
          {row.is_complete ? null : <span className="text-attention">{texts.bank.incomplete}</span>}
          {row.duplicate_by ? <span className="text-information">{texts.intake.duplicate[row.duplicate_by]}</span> : null}
          <span>{kindWords(row.kinds)}</span>
          {row.tags.slice(0, 3).map((tag) => (
            <span key={tag} className="text-quiet">
              {tag}
            </span>
          ))}
        </span>
      </span>
    </div>
  )
}
