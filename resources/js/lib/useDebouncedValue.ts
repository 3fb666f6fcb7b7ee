import { useEffect, useState } from 'react'

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
