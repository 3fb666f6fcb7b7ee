import { useCallback } from 'react'
import { useSearchParams } from 'react-router'

/**
 * What stands behind the ? of the address, and changing it. A change begins with the address as the browser has it: React draws it a
 * moment later, and a change made from what is drawn would undo one that is on its way.
 */
export function useAddress() {
  const [address, setAddress] = useSearchParams()
  const change = useCallback(
    (edit: (next: URLSearchParams) => void, replace = false) => {
      const next = new URLSearchParams(window.location.search)
      edit(next)
      setAddress(next, { replace })
    },
    [setAddress],
  )
  const set = useCallback(
    (name: string, value: string, replace = false) => change((next) => (value === '' ? next.delete(name) : next.set(name, value)), replace),
    [change],
  )
  return { address, change, set }
}
