import { useQuery } from '@tanstack/react-query'
import { useEffect, useSyncExternalStore } from 'react'
import { assessmentQuery } from '@/api/assembly'
import { ApiProblem } from '@/api/client'
import { questionsOf } from '@/lib/assessment'
import { removeStored, storedText, storeText } from '@/lib/storage'

const KEY = 'assessment-at-hand'
const listeners = new Set<() => void>()

/** The assessment one is working on: what the tray goes to, and whose questions are marked as taken in every list. */
export function setAtHand(id: string | null) {
  if (id === null) removeStored(KEY)
  else storeText(KEY, id)
  for (const listener of listeners) listener()
}

export function useAtHand() {
  const id = useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => storedText(KEY),
  )
  const { data, error } = useQuery({ ...assessmentQuery(id ?? ''), enabled: id !== null })
  useEffect(() => {
    if (error instanceof ApiProblem && error.status === 404) setAtHand(null)
  }, [error])
  const usable = data?.may_write ? data : undefined
  return { assessment: usable, taken: new Set(usable ? questionsOf(usable.content) : []) }
}
