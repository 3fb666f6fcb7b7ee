import { useQueryClient } from '@tanstack/react-query'
import { type ReactNode, useContext, useMemo, useRef, useState } from 'react'
import { addMedium, changeMedium, type Medium, mediaAddress } from '@/api/media'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { type MediaDesk, MediaDeskContext, MediaFrom, type Placed } from '@/ui/media'
import { useToast } from '@/ui/Toasts'

const ChooseMedium = lazily(() => import('./ChooseMedium'), 'ChooseMedium')
const DescribePicture = lazily(() => import('./DescribePicture'), 'DescribePicture')
const DescribeRecording = lazily(() => import('./DescribeRecording'), 'DescribeRecording')
const words = texts.rich.picture
/** A picture that is put in stands no wider than a page of text; its author makes it wider. */
const USUAL = 640

type Answer = Placed | 'gone' | null
type Asked =
  | { what: 'choose'; kind: 'picture' | 'recording'; answer: (chosen: Medium | null) => void }
  | { what: 'describe'; placed: Placed; isNew: boolean; answer: (said: Answer) => void; replace: (said: Placed) => void }

/** Media of a bank for the editors within: chosen, uploaded, described. Where a text is not of a bank yet, there are none. */
export function MediaDeskProvider({ bank, children }: { bank: string; children: ReactNode }) {
  const elsewhere = useContext(MediaFrom) !== null
  const client = useQueryClient()
  const tell = useToast()
  const [asked, ask] = useState<Asked | null>(null)
  const latest = useRef({ tell, client })
  const waiting = useRef<(() => void) | null>(null)
  latest.current = { tell, client }
  const desk = useMemo<MediaDesk>(() => {
    // One thing is asked at a time: what is asked next gives up what was asked before.
    const answer = <T,>(resolve: (given: T | null) => void) => {
      waiting.current?.()
      waiting.current = () => resolve(null)
      return (given: T | null) => {
        waiting.current = null
        ask(null)
        resolve(given)
      }
    }
    const chosen = (kind: 'picture' | 'recording') =>
      new Promise<Medium | null>((resolve) => ask({ what: 'choose', kind, answer: answer(resolve) }))
    /** Asks what it is, and again where another one is taken in its place. */
    const described = async (placed: Placed, isNew: boolean): Promise<Answer> => {
      const said = await new Promise<Answer | { replace: Placed }>((resolve) => {
        const say = answer<Answer | { replace: Placed }>(resolve)
        ask({ what: 'describe', placed, isNew, answer: say, replace: (now) => say({ replace: now }) })
      })
      if (said === null || said === 'gone' || !('replace' in said)) return said
      const other = await chosen(placed.kind === 'picture' ? 'picture' : 'recording')
      return described(other === null ? said.replace : instead(said.replace, other), isNew)
    }
    const settle = async (medium: Medium) => {
      const said = await described(placedOf(medium), true)
      if (said === null || said === 'gone') return null
      // what is said of it first is proposed from then on
      if (said.kind === 'picture' && said.id === medium.id && medium.alt === null && said.alt !== null)
        changeMedium(bank, medium.id, { alt: said.alt }).catch(() => undefined)
      return said
    }
    return {
      address: (id) => mediaAddress(bank, id),
      choose: async (kind) => {
        const medium = await chosen(kind)
        return medium && settle(medium)
      },
      picture: async (file) => {
        const medium = await (file ? send(file) : chosen('picture'))
        return medium?.type.startsWith('image/') ? medium : null
      },
      describe: (placed) => described(placed, false),
      upload: async (files, alts = []) => {
        const placed: (Placed | null)[] = []
        for (const [i, file] of files.entries()) {
          const medium = await send(file)
          const now = medium && placedOf(medium)
          const alt = alts[i] ?? null
          // what is given up here is in the library, but not in the text
          placed.push(medium === null || now === null ? null : alt && now.kind === 'picture' ? { ...now, alt } : await settle(medium))
        }
        return placed
      },
    }
    async function send(file: File): Promise<Medium | null> {
      const { tell, client } = latest.current
      try {
        const { medium, isNew } = await addMedium(bank, file)
        client.invalidateQueries({ queryKey: ['bank', bank, 'media'] })
        if (medium.type.startsWith('text/')) {
          tell({ text: words.notPictures, look: 'problem' })
          return null
        }
        if (!isNew && medium.name !== file.name) tell({ text: words.known({ name: file.name, as: medium.name }) })
        return medium
      } catch (problem) {
        tell({ text: words.refused({ name: file.name, why: problem instanceof Error ? problem.message : '' }), look: 'problem' })
        return null
      }
    }
  }, [bank])
  if (elsewhere) return children
  return (
    <MediaDeskContext value={desk}>
      {children}
      {asked?.what === 'choose' ? <ChooseMedium bank={bank} kind={asked.kind} onPick={asked.answer} /> : null}
      {asked?.what === 'describe' && asked.placed.kind === 'picture' ? (
        <DescribePicture
          key={asked.placed.id}
          bank={bank}
          picture={asked.placed}
          isNew={asked.isNew}
          onDone={asked.answer}
          onReplace={asked.replace}
        />
      ) : null}
      {asked?.what === 'describe' && asked.placed.kind !== 'picture' ? (
        <DescribeRecording
          key={asked.placed.id}
          bank={bank}
          recording={asked.placed}
          isNew={asked.isNew}
          onDone={asked.answer}
          onReplace={asked.replace}
        />
      ) : null}
    </MediaDeskContext>
  )
}

function placedOf(medium: Medium): Placed {
  const { id, type, name, alt, width } = medium
  if (type.startsWith('image/'))
    return { kind: 'picture', id, alt, width: width === null ? null : Math.min(width, USUAL), view: null, figure: null }
  const kind = type.startsWith('video/') ? 'video' : 'audio'
  return { kind, id, title: name.replace(/\.\w+$/, ''), captions: null, transcript: null, plays: null }
}

/** Another medium as one stands in the text: words that were said of the first stay, unless the other has its own. */
function instead(placed: Placed, medium: Medium): Placed {
  const other = placedOf(medium)
  if (placed.kind === 'picture' && other.kind === 'picture') return { ...placed, id: other.id, alt: other.alt ?? placed.alt, view: null }
  return placed.kind === 'picture' || other.kind === 'picture' ? placed : { ...placed, kind: other.kind, id: other.id, captions: null }
}
