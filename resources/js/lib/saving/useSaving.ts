import { type QueryClient, useQueryClient } from '@tanstack/react-query'
import { ApiProblem } from '@/api/client'
import type { Saved } from './machine'
import type { SaveRequest } from './runner'
import { useSaveMachine } from './useSaveMachine'

const PAUSE = 1200

/** Where what is written is saved, and what it is kept under until then. */
export type SaveTo<Content> = {
  subject: string
  /** The subject of a new thing once it is stored; its id where nothing is said. */
  subjectOf?: (id: string) => string
  save: (content: Content, base: number, client: QueryClient, note: string) => Promise<Saved>
}

/** Keeps what is typed as a draft, saves revisions when asked, and notices when somebody else was faster. */
export function useSaving<Content>(content: Content, home: SaveTo<Content>, startRevision: number, dirty: boolean) {
  const client = useQueryClient()
  const { state, runner } = useSaveMachine(
    content,
    { subject: home.subject, revision: startRevision, dirty },
    {
      rules: { saves: 'when asked', rest: PAUSE, subjectOf: home.subjectOf ?? ((id) => id) },
      send: (sent, base, note) => home.save(sent, base, client, note),
    },
  )
  return {
    revision: state.revision,
    isNew: state.revision === 0,
    conflict: state.conflict,
    keeping: state.keeping,
    saving: state.sending !== null,
    /** Why the last save was refused, in the server's words; a conflict is none. */
    refused: state.problem instanceof ApiProblem ? state.problem : null,
    save: (request: SaveRequest<Content>) => runner.save(request),
  }
}
