import { useSyncExternalStore } from 'react'
import { isTexts, storedValue, storeValue } from '@/lib/storage'

/** The folders a question goes into on its first save. They are not part of the question, so they are stored beside its autosave. */
const listeners = new Set<() => void>()
const memory = new Map<string, string[][]>()
const none: string[][] = []
const isPaths = (value: unknown): value is string[][] => Array.isArray(value) && value.every(isTexts)
const place = (subject: string) => `folders:${subject}`

export function foldersOf(subject: string): string[][] {
  const known = memory.get(subject)
  if (known) return known
  const read = storedValue(place(subject), isPaths, none)
  memory.set(subject, read)
  return read
}

export function setFolders(subject: string, folders: string[][]) {
  memory.set(subject, folders)
  storeValue(place(subject), folders)
  for (const listener of listeners) listener()
}

export function useNewFolders(subject: string | null): string[][] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => (subject === null ? none : foldersOf(subject)),
  )
}
