import { useSyncExternalStore } from 'react'

/** The folders a question goes into on its first save. They are not part of the question, so they are stored beside its autosave. */
const listeners = new Set<() => void>()
const memory = new Map<string, string[][]>()
const none: string[][] = []
const place = (subject: string) => `folders:${subject}`

export function foldersOf(subject: string): string[][] {
  const known = memory.get(subject)
  if (known) return known
  let read = none
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(place(subject)) ?? '[]')
    if (Array.isArray(stored) && stored.length > 0) read = stored as string[][]
  } catch {
    // no storage, or a foreign value: start without folders
  }
  memory.set(subject, read)
  return read
}

export function setFolders(subject: string, folders: string[][]) {
  memory.set(subject, folders)
  try {
    localStorage.setItem(place(subject), JSON.stringify(folders))
  } catch {
    // no storage: the folders last until the page is closed
  }
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
