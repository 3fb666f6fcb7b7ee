import { useLayoutEffect, useRef } from 'react'

/**
 * What was chosen last, also before it is drawn: a choice that goes through the address takes a moment, and a key pressed in that moment
 * means the new one.
 */
export function useAhead(drawn: string | undefined) {
  const asked = useRef<string[]>([])
  useLayoutEffect(() => {
    const at = drawn === undefined ? -1 : asked.current.indexOf(drawn)
    // What was not asked for here was chosen elsewhere, later.
    asked.current = at < 0 ? [] : asked.current.slice(at + 1)
  }, [drawn])
  return {
    ask: (id: string) => {
      if (id !== (asked.current.at(-1) ?? drawn)) asked.current.push(id)
    },
    latest: () => asked.current.at(-1) ?? drawn,
  }
}
