import { useSyncExternalStore } from 'react'

/** Whether the window is at least so wide, in px. */
export function useWide(width: number): boolean {
  return useSyncExternalStore(
    (tell) => {
      const query = matchMedia(`(min-width: ${width}px)`)
      query.addEventListener('change', tell)
      return () => query.removeEventListener('change', tell)
    },
    () => matchMedia(`(min-width: ${width}px)`).matches,
  )
}
