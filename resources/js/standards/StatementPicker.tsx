import { useQuery } from '@tanstack/react-query'
import { type KeyboardEvent, type Ref, useId, useState } from 'react'
import { type FoundStatement, findStatementsQuery } from '@/api/standards'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Suggestions } from '@/ui/Suggestions'

type Props = {
  label: string
  placeholder?: string
  /** Only of this framework. */
  framework?: string
  onPick: (statement: FoundStatement) => void
  inputRef?: Ref<HTMLInputElement>
  onEscape?: () => void
  className?: string
}

/** A statement found by its code or by words of it; arrows walk, Enter takes it (the combobox of WAI-ARIA). */
export function StatementPicker({ label, placeholder, framework = '', onPick, inputRef, onEscape, className = '' }: Props) {
  const [typed, setTyped] = useState('')
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState(0)
  const list = useId()
  const words = useDebouncedValue(typed.trim(), 120)
  const found = useQuery({ ...findStatementsQuery(words, framework), enabled: open && words !== '' })
  const shown = open && words !== '' ? (found.data ?? []) : []
  const pick = (statement: FoundStatement | undefined) => {
    if (!statement) return
    onPick(statement)
    setTyped('')
    setOpen(false)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      if (typed !== '') setTyped('')
      else onEscape?.()
      setOpen(false)
    } else if (event.key === 'ArrowDown') setAt(Math.min(at + 1, shown.length - 1))
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
    else if (event.key === 'Enter') {
      // what was typed last may not have been asked for yet: the list that is shown is of other words
      if (words === typed.trim() && !found.isPlaceholderData) pick(shown[at])
    } else return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <span className={`relative block ${className}`}>
      <input
        ref={inputRef}
        role="combobox"
        aria-label={label}
        aria-expanded={shown.length > 0}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={shown[at] ? `${list}-${at}` : undefined}
        placeholder={placeholder ?? texts.standards.pickHint}
        className="min-h-7 w-full rounded-ui border border-transparent bg-transparent px-1.5 placeholder:text-quiet hover:border-edge focus:border-edge focus:bg-paper"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value)
          setOpen(true)
          setAt(0)
        }}
        onFocus={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onKeyDown={onKeyDown}
      />
      <Suggestions
        id={list}
        label={label}
        items={shown}
        at={at}
        onPick={pick}
        className="absolute top-full left-0 z-30 max-h-72 w-max min-w-full max-w-110 overflow-y-auto rounded-ui border border-hairline bg-paper py-1 shadow-float"
      >
        {(one) => (
          <>
            <span className="font-mono text-caption text-second">{one.code}</span> {one.title || one.text}
            {one.title === '' ? null : <span className="block truncate text-caption text-quiet">{one.text}</span>}
            {framework === '' ? <span className="block text-caption text-quiet">{`${one.framework} ${one.version}`}</span> : null}
          </>
        )}
      </Suggestions>
      {open && words !== '' && found.data?.length === 0 ? (
        <span
          role="status"
          className="absolute top-full left-0 z-30 rounded-ui border border-hairline bg-paper px-3 py-1.5 text-quiet shadow-float"
        >
          {texts.standards.noneFound}
        </span>
      ) : null}
    </span>
  )
}
