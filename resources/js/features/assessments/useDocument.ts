import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import {
  type Assessment,
  assessmentQuery,
  type Content,
  type MergedEdits,
  mergeEdits,
  type PrintSettings,
  saveAssessment,
} from '@/api/assembly'
import { forgetHere, keptHere } from '@/lib/saving/localDraft'
import { useSaveMachine } from '@/lib/saving/useSaveMachine'
import { useHistory } from '@/lib/useHistory'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

const PAUSE = 400

export type EditConflict = { base: Content; mine: Content; conflicts: MergedEdits['conflicts'] }

/**
 * An assessment being changed: every change is stored a moment later, one after the other, and can be undone. What stands behind
 * the entries and what they add up to comes back with each.
 */
export function useDocument(start: Assessment) {
  const client = useQueryClient()
  const tell = useToast()
  const [stored, setStored] = useState(start)
  const [conflict, setConflict] = useState<EditConflict | null>(null)
  const history = useHistory<Content>(start.content)
  const { value, change } = history
  const subject = `assessment:${start.id}`
  const took = (now: Assessment) => {
    setStored(now)
    client.setQueryData(assessmentQuery(now.id).queryKey, now)
    client.invalidateQueries({ queryKey: ['assessments'] })
  }
  const { state, runner } = useSaveMachine(
    value,
    { subject, revision: start.version, dirty: false },
    {
      rules: { saves: 'each change', rest: PAUSE, subjectOf: () => subject },
      send: async (content, base) => {
        const now = await saveAssessment(content, base)
        took(now)
        return { id: now.id, revision: now.version }
      },
      takeTheirs: async () => {
        // what was stored last is what both began with
        const [base, mine] = [stored.content, value]
        const theirs = await client.fetchQuery({ ...assessmentQuery(start.id), staleTime: 0 })
        const merged = theirs.may_write ? await mergeEdits(base, mine).catch(() => null) : null
        adopt(theirs)
        if (!merged) return tell({ text: texts.assembly.conflict, look: 'problem' })
        if (merged.conflicts.length > 0) return setConflict({ base, mine, conflicts: merged.conflicts })
        change(() => merged.content)
        tell({ text: texts.assembly.merging.done })
      },
    },
  )
  /** The document as somebody else, or another action of ours, left it. Undoing brings back what was there. */
  const adopt = (now: Assessment) => {
    runner.happen({ type: 'replaced', content: now.content, revision: now.version })
    took(now)
    change(() => now.content)
  }
  /** What it is printed like, as another action stored it. */
  const printsLike = (print: PrintSettings) => {
    setStored((now) => ({ ...now, print }))
    client.setQueryData(assessmentQuery(start.id).queryKey, (now) => (now ? { ...now, print } : now))
  }
  const refusal = state.keeping === 'refused' ? state.problem : null
  useEffect(() => {
    if (refusal) tell({ text: refusal.message, look: 'problem' })
  }, [refusal, tell])

  const first = useRef(start)
  useEffect(() => {
    const kept = keptHere<Content>(subject)
    if (!kept) return
    change(() => kept.content)
    if (kept.base === first.current.version) {
      tell({ text: texts.assembly.kept })
      return
    }
    // It was stored after all, or somebody else was faster: then theirs stands here, and undoing brings back what was kept.
    forgetHere(subject)
    change(() => first.current.content)
    if (JSON.stringify(kept.content) !== JSON.stringify(first.current.content)) tell({ text: texts.assembly.conflict, look: 'problem' })
  }, [subject, change, tell])

  return {
    content: value,
    change,
    undo: history.undo,
    redo: history.redo,
    history,
    stored,
    keeping: state.keeping,
    adopt,
    printsLike,
    /** Edits that were not stored, since somebody else changed the same things. */
    conflict,
    setConflict,
    flush: () => runner.flush(),
  }
}
export type Document = ReturnType<typeof useDocument>
