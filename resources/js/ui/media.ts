import { createContext, useContext } from 'react'

/** Where pictures come from, where that is not the bank. */
export const MediaFrom = createContext<((id: string) => string) | null>(null)

export function useMedia(bank: string): (id: string) => string {
  return useContext(MediaFrom) ?? ((id) => `/api/v1/banks/${bank}/media/${id}`)
}

/** A picture as it stands in a text. */
export type Picture = {
  id: string
  /** null when nobody said what it shows, '' when it only decorates. */
  alt: string | null
  /** CSS pixels; null for its own width. */
  width: number | null
}

/** What an editor asks for when a picture is put in: dialogs and the server are above this floor. */
export type MediaDesk = {
  address: (id: string) => string
  /** Lets one be chosen or uploaded; null when that was given up. */
  choose: () => Promise<Picture | null>
  /** What one shows, and how large; null when nothing changed, 'gone' when it is to be taken out. */
  describe: (picture: Picture) => Promise<Picture | 'gone' | null>
  /** Files that were pasted or dropped, uploaded; null for those that were refused, which is told. @param alts what they show, where it came along */
  upload: (files: File[], alts?: (string | null)[]) => Promise<(Picture | null)[]>
}

export const MediaDeskContext = createContext<MediaDesk | null>(null)
export const useMediaDesk = () => useContext(MediaDeskContext)

const WIDTHS = [480, 960, 1920]

/** Narrower copies for the browser to choose from; the server gives the picture itself where there is none. */
export const srcSet = (address: string): string => WIDTHS.map((width) => `${address}?width=${width} ${width}w`).join(', ')
/** How wide it will stand: as wide as said, never wider than the window. */
export const sizes = (width: number | null): string => (width === null ? '(min-width: 900px) 860px, 100vw' : `min(${width}px, 100vw)`)
