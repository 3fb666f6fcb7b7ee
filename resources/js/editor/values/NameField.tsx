import { useMutation } from '@tanstack/react-query'
import { type ClipboardEventHandler, useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { renameValue } from '@/api/values'
import { Gap } from '@/ui/Sentence'

type Props = {
  name: string
  label: string
  className?: string
  question: QuestionJson
  /** The question with the value renamed everywhere. */
  onRenamed: (question: QuestionJson) => void
  onPaste?: ClipboardEventHandler<HTMLInputElement>
}

/** The name; another one takes its place everywhere once it is left. */
export function NameField({ name, label, className = '', question, onRenamed, onPaste }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  const rename = useMutation({
    mutationFn: (to: string) => renameValue(question, name, to),
    onSuccess: (renamed) => {
      setTyped(null)
      onRenamed(renamed)
    },
  })
  const settle = () => {
    if (typed === null || typed === name) setTyped(null)
    else rename.mutate(typed)
  }
  return (
    <span className="flex flex-col">
      <Gap
        aria-label={label}
        aria-invalid={rename.isError ? true : undefined}
        className={`font-mono text-information ${className}`}
        spellCheck={false}
        autoCapitalize="off"
        maxLength={40}
        value={typed ?? name}
        onChange={(event) => {
          rename.reset()
          setTyped(event.target.value)
        }}
        onBlur={settle}
        onPaste={onPaste}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault()
            settle()
          }
          if (event.key === 'Escape' && typed !== null) {
            event.stopPropagation()
            rename.reset()
            setTyped(null)
          }
        }}
      />
      {rename.isError ? <span className="max-w-60 text-caption text-problem">{rename.error.message}</span> : null}
    </span>
  )
}
