import { useEffect, useState } from 'react'

/** Milliseconds after which nobody is typing any more: the list is asked for before, what only goes with it waits so long. */
export const REST = 250

/** A value once it has rested, so that typing asks nothing of the server. */
export function useDebouncedValue<Value>(value: Value, pause: number): Value {
  const text = JSON.stringify(value)
  const [rested, setRested] = useState(value)
  // biome-ignore lint/correctness/useExhaustiveDependencies: told by its text; the object is made anew at every drawing
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), pause)
    return () => clearTimeout(timer)
  }, [text, pause])
  return rested
}
