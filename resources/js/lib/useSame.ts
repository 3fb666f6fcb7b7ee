import { useRef } from 'react'

/** The value of an earlier render for as long as the new one says the same, for children that `memo` keeps from being rendered again. */
export function useSame<Value>(value: Value): Value {
  const kept = useRef(value)
  if (JSON.stringify(kept.current) !== JSON.stringify(value)) kept.current = value
  return kept.current
}
