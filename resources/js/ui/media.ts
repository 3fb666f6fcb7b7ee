import { createContext, useCallback, useContext } from 'react'

/** Where pictures come from, where that is not the bank. */
export const MediaFrom = createContext<((id: string) => string) | null>(null)

/** Whether a recording may be played only as often as the question says: where it is answered, not where it is written. */
export const PlaysLimited = createContext(false)

/** @param question  stored, and read where it is placed, perhaps by somebody who may not read its own bank */
export function useMedia(bank: string, question?: string): (id: string) => string {
  const from = question === undefined ? `banks/${bank}` : `questions/${question}`
  const own = useCallback((id: string) => `/api/v1/${from}/media/${encodeURIComponent(id)}`, [from])
  return useContext(MediaFrom) ?? own
}

/** A picture as it stands in a text. */
export type Picture = {
  kind: 'picture'
  id: string
  /** null when nobody said what it shows, '' when it only decorates. */
  alt: string | null
  /** CSS pixels; null for its own width. */
  width: number | null
  /** The part that is shown (pictureView.ts); null for all of it. */
  view: string | null
  /** Where a figure with a caption stands; null for a picture in a line of text. */
  figure: 'left' | 'center' | 'right' | null
}

/** Sound or film as it stands in a text. */
export type Recorded = {
  kind: 'audio' | 'video'
  id: string
  title: string | null
  /** The medium with its captions (WebVTT). */
  captions: string | null
  transcript: string | null
  /** How often it may be played; null for as often as one likes. */
  plays: number | null
}
export type Placed = Picture | Recorded

/** What an editor asks for when something of the library is put in: dialogs and the server are above this floor. */
export type MediaDesk = {
  address: (id: string) => string
  /** Lets one be chosen or uploaded; null when that was given up. */
  choose: (kind: 'picture' | 'recording') => Promise<Placed | null>
  /** A picture as it is in the library, chosen or of a file; null when that was given up or refused. */
  picture: (file?: File) => Promise<{ id: string; alt: string | null; width: number | null; height: number | null } | null>
  /** What one is, and how it stands; null when nothing changed, 'gone' when it is to be taken out. */
  describe: (placed: Placed) => Promise<Placed | 'gone' | null>
  /** Files that were pasted or dropped, uploaded; null for those that were refused, which is told. @param alts what they show, where it came along */
  upload: (files: File[], alts?: (string | null)[]) => Promise<(Placed | null)[]>
}

export const MediaDeskContext = createContext<MediaDesk | null>(null)
export const useMediaDesk = () => useContext(MediaDeskContext)

const WIDTHS = [480, 960, 1920]

/** Narrower copies for the browser to choose from; the server gives the picture itself where there is none. */
export const srcSet = (address: string): string => WIDTHS.map((width) => `${address}?width=${width} ${width}w`).join(', ')
/** How wide it will stand: as wide as said, never wider than the window. */
export const sizes = (width: number | null): string => (width === null ? '(min-width: 900px) 860px, 100vw' : `min(${width}px, 100vw)`)
