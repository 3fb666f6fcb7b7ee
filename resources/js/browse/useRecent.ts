import { useEffect, useState } from 'react'
import { isTexts, storedValue, storeValue } from '@/lib/storage'

const MOST = 6
/** So long a search rests before it counts as one. */
const RESTED = 2500

/** The searches of a bank that one stayed with lately, the last first; kept in this browser. */
export function useRecent(slug: string, query: string): string[] {
  const key = `recent:${slug}`
  const [recent, setRecent] = useState<string[]>(() => storedValue(key, isTexts, []))
  useEffect(() => {
    if (query === '' || query.startsWith('sort=')) return
    const timer = setTimeout(() => {
      setRecent((now) => {
        const next = latest(now, query)
        storeValue(key, next)
        return next
      })
    }, RESTED)
    return () => clearTimeout(timer)
  }, [query, key])
  return recent
}

/** The same search once, the last first. */
export function latest(recent: string[], query: string): string[] {
  return [query, ...recent.filter((one) => one !== query)].slice(0, MOST)
}
