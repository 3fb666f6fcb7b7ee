import { type QueryClient, useMutation, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ApiProblem } from '@/api/client'
import { forgetAutosave, keepAutosave } from '@/api/queries'
import type { Saved } from './home'
import { forgetHere, keepHere } from './kept'

const PAUSE = 1200
const AGAIN = 10_000

export type Keeping = 'saved' | 'typing' | 'kept' | 'only here'

/** Where what is written is saved, and what it is kept under until then. */
export type SaveTo<Content> = {
  subject: string
  save: (content: Content, base: number, client: QueryClient, note: string) => Promise<Saved>
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
  const since = useRef(startRevision)
  since.current = revision
  // Left for another page in the middle of a word: the last letters are kept too.
  useEffect(
    () => () => {
      if (latest.current !== settled.current)
        keepHere(subject, { content: latest.current, base: since.current === 0 ? null : since.current, at: Date.now() })
    },
    [subject],
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
    mutationFn: async ({ base, note }: { base: number; note: string }): Promise<[Content, Saved]> => {
      const sent = latest.current
      return [sent, await home.save(sent, base, client, note)]
    },
    onSuccess: ([sent, saved]) => {
      settled.current = sent
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
