import { useRef, useState } from 'react'

// biome-ignore lint/suspicious/noExplicitAny: functions of whatever arguments
type Functions = Record<string, (...given: any[]) => void>

/** The functions of this render under an identity that never changes, for children that `memo` keeps from being rendered again. */
export function useSteady<These extends Functions>(functions: These): These {
  const now = useRef(functions)
  now.current = functions
  const [steady] = useState(() => {
    const call =
      (name: string): Functions[string] =>
      (...given) =>
        now.current[name]?.(...given)
    return Object.fromEntries(Object.keys(functions).map((name) => [name, call(name)])) as These
  })
  return steady
}
