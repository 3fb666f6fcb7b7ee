import { useQuery } from '@tanstack/react-query'
import type { Alignment } from '@/api/standards'
import { statementQuery } from '@/api/standards'
import { texts } from '@/messages'
import { Chip } from '@/ui/Chip'
import { alignmentTo } from './alignmentTo'
import { StatementPicker } from './StatementPicker'

type Props = {
  label: string
  standards: Alignment[]
  disabled?: boolean
  onAdd: (standard: Alignment) => void
  onRemove: (standard: Alignment) => void
}

/** The standards of something as chips: each with its words to read, whether it is assessed or only touched, and a place to add more. */
export function StandardsField({ label, standards, disabled, onAdd, onRemove }: Props) {
  return (
    <div className="flex flex-wrap items-center gap-1">
      {standards.map((one) => (
        <StandardChip
          key={`${one.framework} ${one.code} ${one.statement ?? ''}`}
          standard={one}
          {...(disabled
            ? {}
            : {
                onRemove: () => onRemove(one),
                onRelate: () => onAdd({ ...one, relation: one.relation === 'touches' ? 'assesses' : 'touches' }),
              })}
        />
      ))}
      {disabled && standards.length === 0 ? <span className="text-quiet">{texts.record.none}</span> : null}
      {disabled ? null : (
        <StatementPicker label={texts.record.add({ what: label })} className="w-56" onPick={(statement) => onAdd(alignmentTo(statement))} />
      )}
    </div>
  )
}

type ChipProps = { standard: Alignment; onRemove?: () => void; onRelate?: () => void }

function StandardChip({ standard, onRemove, onRelate }: ChipProps) {
  const id = standard.statement ?? ''
  const statement = useQuery({ ...statementQuery(id), enabled: id !== '' }).data
  const touches = standard.relation === 'touches'
  const words = statement ? statement.title || statement.text : ''
  const relation = touches ? texts.standards.touches : texts.standards.assesses
  return (
    <Chip {...(onRemove ? { onRemove, removeName: texts.record.takeOff({ what: standard.code }) } : {})}>
      <span title={statement ? `${statement.framework} ${statement.version}: ${statement.text}` : standard.framework}>
        <span className="font-mono">{standard.code}</span>
        {words === '' ? null : <span className="inline-block max-w-[min(14rem,100%)] truncate pl-1 align-bottom">{words}</span>}
        {statement === null || id === '' ? <span className="pl-1 text-attention">{texts.standards.unmatched}</span> : null}
        {statement?.retired ? <span className="pl-1 text-attention">{texts.standards.retired}</span> : null}
      </span>
      {onRelate ? (
        <button
          type="button"
          className="ml-1 min-h-6 border-hairline border-l pl-1 text-caption text-second underline decoration-dotted"
          aria-label={texts.standards.relationOf({ code: standard.code, relation })}
          title={texts.standards.relate}
          onClick={onRelate}
        >
          {relation}
        </button>
      ) : touches ? (
        <span className="pl-1 text-caption text-second">{relation}</span>
      ) : null}
    </Chip>
  )
}
