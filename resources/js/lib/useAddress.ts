import { useCallback, useRef } from 'react'
import { useSearchParams } from 'react-router'

/**
 * What stands behind the ? of the address, and changing it. A change begins with the address as the browser has it: React draws it a
 * moment later, and a change made from what is drawn would undo one that is on its way. Both functions stay the same ones.
 */
export function useAddress() {
  const [address, setAddress] = useSearchParams()
  const latest = useRef(setAddress)
  latest.current = setAddress // the router makes another for every address
  const change = useCallback((edit: (next: URLSearchParams) => void, replace = false) => {
    const next = new URLSearchParams(window.location.search)
    edit(next)
    latest.current(next, { replace })
  }, [])
  const set = useCallback(
    (name: string, value: string, replace = false) => change((next) => (value === '' ? next.delete(name) : next.set(name, value)), replace),
    [change],
  )
  return { address, change, set }
}
