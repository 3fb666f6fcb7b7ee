import { LazyRich } from '@/ui/LazyRich'

type Props = {
  value: string
  label: string
  media: (id: string) => string
  placeholder?: string
  autoFocus?: boolean
  wrong?: string | undefined
  onChange: (html: string) => void
  onNext?: () => void
  onMove?: (by: -1 | 1) => void
  onPasteLines?: (text: string) => boolean
}
const words = { part: (id: string) => id }

/** The text of one row of a list: Enter goes on, Alt and an arrow move the row, pasted lines become rows. */
export function RowText({ value, label, media, placeholder, autoFocus, wrong, onChange, onNext, onMove, onPasteLines }: Props) {
  return (
    <div className="min-w-0 flex-1" data-row="">
      <LazyRich
        value={value}
        label={label}
        words={words}
        view={{ media, table: '' }}
        {...(placeholder ? { placeholder } : {})}
        autoFocus={autoFocus === true}
        {...(onNext ? { onEnter: onNext } : {})}
        {...(onPasteLines ? { onPasteLines } : {})}
        onKey={(event) => {
          if (!onMove || !event.altKey || event.shiftKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return false
          onMove(event.key === 'ArrowUp' ? -1 : 1)
          return true
        }}
        onChange={onChange}
      />
      {wrong ? <p className="text-caption text-problem">{wrong}</p> : null}
    </div>
  )
}
