import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useRef, useState } from 'react'
import { type Assessment, assessmentQuery, type Content, saveAssessment } from '@/api/assembly'
import { ApiProblem } from '@/api/client'
import { forgetHere, keepHere, keptHere } from '@/lib/localDraft'
import { useHistory } from '@/lib/useHistory'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

const PAUSE = 400
const AGAIN = 5000

/**
 * An assessment being changed: every change is stored a moment later, one after the other, and can be undone. What stands behind
 * the entries and what they add up to comes back with each. What could not be stored is kept in the browser.
 */
export function useDocument(start: Assessment) {
  const client = useQueryClient()
  const tell = useToast()
  const [stored, setStored] = useState(start)
  const history = useHistory<Content>(start.content)
  const settled = useRef(start.content)
  const latest = useRef(history.value)
  latest.current = history.value
  const version = useRef(start.version)
  const busy = useRef(false)
  const subject = `assessment:${start.id}`
  const [state, setState] = useState<'saved' | 'saving' | 'failed'>('saved')
  const took = useCallback(
    (now: Assessment) => {
      version.current = now.version
      setStored(now)
      client.setQueryData(assessmentQuery(now.id).queryKey, now)
      client.invalidateQueries({ queryKey: ['assessments'] })
    },
    [client],
  )
  /** The document as somebody else, or another action of ours, left it. */
  const adopt = useCallback(
    (now: Assessment) => {
      settled.current = now.content
      took(now)
      history.change(() => now.content)
    },
    [history.change, took],
  )
  const save = useCallback(async () => {
    if (busy.current || latest.current === settled.current) return
    busy.current = true
    setState('saving')
    const sent = latest.current
    try {
      const now = await saveAssessment(sent, version.current)
      settled.current = sent
      forgetHere(subject)
      took(now)
      setState('saved')
    } catch (problem) {
      if (problem instanceof ApiProblem && problem.status === 412) {
        tell({ text: texts.assembly.conflict, look: 'problem' })
        adopt(await client.fetchQuery({ ...assessmentQuery(sent.id), staleTime: 0 }))
        setState('saved')
      } else {
        setState('failed')
        if (problem instanceof ApiProblem && problem.status === 422) {
          tell({ text: problem.message, look: 'problem' })
          settled.current = sent // it is refused as it stands; the next change is tried
        } else {
          keepHere(subject, { content: sent, base: version.current, at: Date.now() })
          setTimeout(save, AGAIN)
          return
        }
      }
    } finally {
      busy.current = false
    }
    if (latest.current !== settled.current) save()
  }, [adopt, client, subject, tell, took])
  const { value, change } = history
  useEffect(() => {
    const kept = keptHere<Content>(subject)
    if (!kept) return
    change(() => kept.content)
    if (kept.base === version.current) tell({ text: texts.assembly.kept })
    else {
      // It was stored after all, or somebody else was faster: then theirs stands here, and undoing brings back what was kept.
      forgetHere(subject)
      change(() => settled.current)
      if (JSON.stringify(kept.content) !== JSON.stringify(settled.current)) tell({ text: texts.assembly.conflict, look: 'problem' })
    }
  }, [subject, change, tell])
  useEffect(() => {
    if (value === settled.current) return
    const timer = setTimeout(save, PAUSE)
    return () => clearTimeout(timer)
  }, [value, save])
  useEffect(() => {
    const leave = () => {
      if (latest.current !== settled.current) keepHere(subject, { content: latest.current, base: version.current, at: Date.now() })
      save()
    }
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      save()
    }
  }, [save, subject])
  return {
    content: history.value,
    change: history.change,
    undo: history.undo,
    redo: history.redo,
    history,
    stored,
    state,
    adopt,
    flush: save,
  }
}
export type Document = ReturnType<typeof useDocument>
