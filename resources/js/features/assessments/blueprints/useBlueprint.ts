import { useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { type Blueprint, type BlueprintContent, blueprintQuery, saveBlueprint } from '@/api/blueprints'
import { forgetHere, keptHere } from '@/lib/saving/localDraft'
import { useSaveMachine } from '@/lib/saving/useSaveMachine'
import { useHistory } from '@/lib/useHistory'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

const PAUSE = 400

/** A blueprint being changed: every change is stored a moment later, and can be undone. */
export function useBlueprint(start: Blueprint) {
  const client = useQueryClient()
  const tell = useToast()
  const [stored, setStored] = useState(start)
  const history = useHistory<BlueprintContent>(start.content)
  const { value, change } = history
  const subject = `blueprint:${start.id}`
  const took = (now: Blueprint) => {
    setStored(now)
    client.setQueryData(blueprintQuery(now.id).queryKey, now)
    client.invalidateQueries({ queryKey: ['blueprints'] })
  }
  const { state, runner } = useSaveMachine(
    value,
    { subject, revision: start.version, dirty: false },
    {
      rules: { saves: 'each change', rest: PAUSE, subjectOf: () => subject },
      send: async (content, base) => {
        const now = await saveBlueprint(content, base)
        took(now)
        return { id: now.id, revision: now.version }
      },
      takeTheirs: async () => {
        const theirs = await client.fetchQuery({ ...blueprintQuery(start.id), staleTime: 0 })
        runner.happen({ type: 'replaced', content: theirs.content, revision: theirs.version })
        took(theirs)
        change(() => theirs.content) // undoing brings back what was typed here
        tell({ text: texts.blueprints.conflict, look: 'problem' })
      },
    },
  )
  const refusal = state.keeping === 'refused' ? state.problem : null
  useEffect(() => {
    if (refusal) tell({ text: refusal.message, look: 'problem' })
  }, [refusal, tell])
  useEffect(() => {
    const kept = keptHere<BlueprintContent>(subject)
    if (!kept) return
    if (kept.base !== start.version) return forgetHere(subject)
    change(() => kept.content)
    tell({ text: texts.assembly.kept })
  }, [subject, start.version, change, tell])
  return { content: value, change, undo: history.undo, redo: history.redo, stored, keeping: state.keeping, flush: () => runner.flush() }
}
export type BlueprintDocument = ReturnType<typeof useBlueprint>
