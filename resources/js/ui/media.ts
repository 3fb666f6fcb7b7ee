import { createContext, useContext } from 'react'

/** Where pictures come from, where that is not the bank. */
export const MediaFrom = createContext<((id: string) => string) | null>(null)

export function useMedia(bank: string): (id: string) => string {
  return useContext(MediaFrom) ?? ((id) => `/api/v1/banks/${bank}/media/${id}`)
}
