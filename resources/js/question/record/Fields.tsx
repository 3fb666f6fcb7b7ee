import { useId, useState } from 'react'
import { texts } from '@/messages'
import { Chip } from '@/ui/Chip'

const quiet =
  'min-h-7 w-full rounded-ui border border-transparent bg-transparent px-1.5 hover:border-edge focus:border-edge focus:bg-paper placeholder:text-quiet'

/** Words as chips with a place to type the next one. */
export function WordsField({
  label,
  inputLabel = texts.record.add({ what: label }),
  words,
  onAdd,
  onRemove,
  known,
  disabled,
}: {
  label: string
  /** What the place to type in is called; "Add to …" otherwise. */
  inputLabel?: string
  words: string[]
  onAdd: (word: string) => void
  onRemove: (word: string) => void
  known: string[]
  disabled?: boolean
}) {
  const [typed, setTyped] = useState('')
  const list = useId()
  const add = () => {
    const word = typed.trim()
    setTyped('')
    if (word !== '' && !words.includes(word)) onAdd(word)
  }
  return (
    <div className="flex flex-wrap items-center gap-1">
      {words.map((word) => (
        <Chip key={word} {...(disabled ? {} : { onRemove: () => onRemove(word), removeName: texts.record.takeOff({ what: word }) })}>
          {word}
        </Chip>
      ))}
      {disabled && words.length === 0 ? <span className="text-quiet">{texts.record.none}</span> : null}
      {disabled ? null : (
        <>
          <input
            aria-label={inputLabel}
            placeholder={texts.record.typeToAdd}
            list={list}
            maxLength={100}
            className={`${quiet} !w-40`}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault()
                add()
              } else if (event.key === 'Backspace' && typed === '' && words.length > 0) onRemove(words.at(-1) ?? '')
            }}
            onBlur={add}
          />
          <datalist id={list}>
            {known
              .filter((word) => !words.includes(word))
              .map((word) => (
                <option key={word} value={word} />
              ))}
          </datalist>
        </>
      )}
    </div>
  )
}

/** Paths of a tree as chips, with a list to add from. */
const FRESH = '\u0001new'

export function PathsField({
  label,
  inputLabel = texts.record.add({ what: label }),
  pick,
  paths,
  all,
  onAdd,
  onRemove,
  disabled,
}: {
  label: string
  /** What the list to pick from is called; "Add to …" otherwise. */
  inputLabel?: string
  pick: string
  paths: string[][]
  all: string[][]
  onAdd: (path: string[]) => void
  onRemove: (path: string[]) => void
  disabled?: boolean
}) {
  const key = (path: string[]) => path.join(' › ')
  const [naming, setNaming] = useState(false)
  const named = (typed: string) => {
    const path = typed
      .split(/\s*[›>]\s*/)
      .map((name) => name.trim())
      .filter(Boolean)
    if (path.length > 0) onAdd(path)
    setNaming(false)
  }
  const taken = new Set(paths.map(key))
  return (
    <div className="flex flex-wrap items-center gap-1">
      {paths.map((path) => (
        <Chip
          key={key(path)}
          {...(disabled ? {} : { onRemove: () => onRemove(path), removeName: texts.record.takeOff({ what: key(path) }) })}
        >
          {key(path)}
        </Chip>
      ))}
      {disabled && paths.length === 0 ? <span className="text-quiet">{texts.record.none}</span> : null}
      {disabled ? null : naming ? (
        <input
          // biome-ignore lint/a11y/noAutofocus: it takes the place of the list that was just used
          autoFocus
          aria-label={texts.record.newPath({ label })}
          placeholder={texts.record.newPathHint}
          maxLength={400}
          className={`${quiet} !w-56`}
          onBlur={(event) => named(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') named(event.currentTarget.value)
            else if (event.key === 'Escape') setNaming(false)
            else return
            event.preventDefault()
            event.stopPropagation()
          }}
        />
      ) : (
        <select
          aria-label={inputLabel}
          className={`${quiet} !w-40 text-quiet`}
          value=""
          onChange={(event) => {
            if (event.target.value === FRESH) {
              setNaming(true)
              return
            }
            const path = all.find((one) => key(one) === event.target.value)
            if (path) onAdd(path)
          }}
        >
          <option value="">{pick}</option>
          {all
            .filter((path) => !taken.has(key(path)))
            .map((path) => (
              <option key={key(path)} value={key(path)}>
                {key(path)}
              </option>
            ))}
          <option value={FRESH}>{texts.record.newPathOption}</option>
        </select>
      )}
    </div>
  )
}

/** A word or line; told when the field is left or Enter is pressed. */
export function LineField({
  label,
  value,
  onChange,
  disabled,
  lines,
}: {
  label: string
  value: string
  onChange: (value: string) => void
  disabled?: boolean
  lines?: number
}) {
  const [typed, setTyped] = useState<string | null>(null)
  if (disabled) return <span className={value === '' ? 'text-quiet' : ''}>{value === '' ? texts.record.none : value}</span>
  const props = {
    'aria-label': label,
    placeholder: texts.record.unset,
    className: quiet,
    value: typed ?? value,
    maxLength: lines ? 20000 : 1000,
    onBlur: () => {
      if (typed !== null && typed !== value) onChange(typed)
      setTyped(null)
    },
  }
  return lines ? (
    <textarea {...props} rows={lines} onChange={(event) => setTyped(event.target.value)} />
  ) : (
    <input
      {...props}
      onChange={(event) => setTyped(event.target.value)}
      onKeyDown={(event) => (event.key === 'Enter' ? event.currentTarget.blur() : undefined)}
    />
  )
}

export function ChoiceField({
  label,
  value,
  options,
  onChange,
  disabled,
}: {
  label: string
  value: string
  options: [string, string][]
  onChange: (value: string) => void
  disabled?: boolean
}) {
  const shown = options.find(([key]) => key === value)?.[1] ?? value
  if (disabled) return <span>{shown}</span>
  return (
    <select aria-label={label} className={quiet} value={value} onChange={(event) => onChange(event.target.value)}>
      {options.map(([key, title]) => (
        <option key={key} value={key}>
          {title}
        </option>
      ))}
    </select>
  )
}
