import { type QueryClient, useMutation, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ApiProblem } from '@/api/client'
import { forgetAutosave, keepAutosave } from '@/api/queries'
import { forgetHere, keepHere } from './localDraft'

const PAUSE = 1200
const AGAIN = 10_000

/** What saving answers: the thing's id and its newest revision. */
export type Saved = { id: string; revision: number }

export type Keeping = 'saved' | 'typing' | 'kept' | 'only here'

/** Where what is written is saved, and what it is kept under until then. */
export type SaveTo<Content> = {
  subject: string
  /** The subject of a new thing once it is stored; its id where nothing is said. */
  subjectOf?: (id: string) => string
  save: (content: Content, base: number, client: QueryClient, note: string) => Promise<Saved>
}

type SaveRequest<Content> = {
  base: number
  note: string /** Instead of what is on the page, which may not be rendered yet. */
  content?: Content
}

/** Keeps what is typed, saves revisions, and notices when somebody else was faster. */
export function useSaving<Content>(content: Content, home: SaveTo<Content>, startRevision: number, dirty: boolean) {
  const client = useQueryClient()
  const [revision, setRevision] = useState(startRevision)
  const [conflict, setConflict] = useState<number | null>(null)
  const [keeping, setKeeping] = useState<Keeping>(dirty ? 'kept' : 'saved')
  const { subject } = home
  const settled = useRef(content)
  const latest = useRef(content)
  latest.current = content
  /** What a new thing is stored as, once it is: later typing is kept under that. */
  const storedAs = useRef(subject)
  const since = useRef(startRevision)
  since.current = revision
  // Left for another page in the middle of a word: the last letters are kept too.
  useEffect(
    () => () => {
      if (latest.current !== settled.current)
        keepHere(storedAs.current, { content: latest.current, base: since.current === 0 ? null : since.current, at: Date.now() })
    },
    [],
  )
  useEffect(() => {
    if (content === settled.current) return
    setKeeping('typing')
    let timer: ReturnType<typeof setTimeout>
    const base = revision === 0 ? null : revision
    const here = setTimeout(() => keepHere(subject, { content: content, base, at: Date.now() }), 200)
    const send = () =>
      keepAutosave(subject, content, base).then(
        () => {
          if (content === settled.current) {
            // A revision was saved while the draft was on its way: the draft must not outlive it.
            forgetAutosave(subject).catch(() => undefined)
            return
          }
          if (latest.current !== content) return
          forgetHere(subject)
          setKeeping('kept')
        },
        () => {
          setKeeping('only here')
          timer = setTimeout(send, AGAIN)
        },
      )
    timer = setTimeout(send, PAUSE)
    const leave = () => keepHere(subject, { content: content, base, at: Date.now() })
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      clearTimeout(timer)
      clearTimeout(here)
    }
  }, [content, subject, revision])
  const forget = async () => {
    forgetHere(subject)
    await forgetAutosave(subject).catch(() => undefined)
  }
  const save = useMutation({
    mutationFn: async ({ base, note, content: given }: SaveRequest<Content>): Promise<[Content, Saved]> => {
      const sent = given ?? latest.current
      return [sent, await home.save(sent, base, client, note)]
    },
    onSuccess: ([sent, saved]) => {
      settled.current = sent
      if (startRevision === 0) storedAs.current = home.subjectOf?.(saved.id) ?? saved.id
      // Typed while a new thing was being saved: its own page, which comes next, must find it.
      if (storedAs.current !== subject && latest.current !== sent)
        keepHere(storedAs.current, { content: latest.current, base: saved.revision, at: Date.now() })
      setRevision(saved.revision)
      setConflict(null)
      if (latest.current === sent) setKeeping('saved')
      forget()
    },
    onError: (problem) => {
      if (problem instanceof ApiProblem && problem.status === 412) setConflict(Number(problem.body.current_revision))
    },
  })
  return { revision, conflict, keeping, save, forget, isNew: revision === 0 }
}
