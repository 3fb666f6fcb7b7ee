import { useCallback, useRef, useState } from 'react'

const PAUSE = 900
const MOST = 200

/**
 * A value with undo and redo. Changes of the same place within a pause are one step, so that typing is undone by runs, not by
 * letters.
 */
export function useHistory<Value>(start: Value) {
  const [value, setValue] = useState(start)
  const past = useRef<Value[]>([])
  const future = useRef<Value[]>([])
  const last = useRef({ place: '', at: 0 })
  const now = useRef(start)
  const put = useCallback((next: Value) => {
    now.current = next
    setValue(next)
  }, [])
  const change = useCallback(
    (edit: (now: Value) => Value, place = '') => {
      const next = edit(now.current)
      if (next === now.current) return
      const time = Date.now()
      if (place === '' || place !== last.current.place || time - last.current.at > PAUSE)
        past.current = [...past.current.slice(-MOST), now.current]
      last.current = { place, at: time }
      future.current = []
      put(next)
    },
    [put],
  )
  const step = useCallback(
    (from: { current: Value[] }, to: { current: Value[] }) => {
      const next = from.current.at(-1)
      if (next === undefined) return false
      from.current = from.current.slice(0, -1)
      to.current = [...to.current, now.current]
      last.current = { place: '', at: 0 }
      put(next)
      return true
    },
    [put],
  )
  return {
    value,
    change,
    undo: () => step(past, future),
    redo: () => step(future, past),
    canUndo: past.current.length > 0,
    canRedo: future.current.length > 0,
  }
}
