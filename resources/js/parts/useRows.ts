import { useRef, useState } from 'react'
import type { Part } from '@/api/question'
import { pasteLines } from './pasteLines'

/** A part being edited, as it is at this moment, and the row the focus goes to next. */
export function usePart(part: Part, onChange: (part: Part, place: string) => void) {
  const now = useRef({ part, onChange })
  now.current = { part, onChange }
  const [focused, setFocused] = useState<string | null>(null)
  return {
    focused,
    focus: setFocused,
    /** The part with other settings, and more of it changed. */
    put: (settings: Record<string, unknown>, more: Partial<Part> = {}, place = '') =>
      now.current.onChange({ ...now.current.part, ...more, settings: { ...now.current.part.settings, ...settings } }, place),
    current: () => now.current.part,
    /** Pasted lines, cleaned by the core, to be made rows of. */
    lines: pasteLines,
  }
}
