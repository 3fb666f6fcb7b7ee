import { useState } from 'react'
import type { FoundStatement } from '@/api/standards'
import { useAct } from '@/bulk/useAct'
import { texts } from '@/messages'
import { FormDialog } from '@/ui/FormDialog'
import { alignmentTo } from './alignmentTo'
import { StatementPicker } from './StatementPicker'
import { statementName } from './statementName'

/** Says which statement a code of a package means, for all questions of a bank that have it. */
export function MatchDialog({ slug, code, framework, onClose }: { slug: string; code: string; framework: string; onClose: () => void }) {
  const [statement, setStatement] = useState<FoundStatement | null>(null)
  const act = useAct(slug)
  return (
    <FormDialog
      title={texts.standards.matchCode({ code })}
      about={framework === '' ? texts.standards.matchAbout : texts.standards.matchFrom({ framework })}
      go={texts.standards.match}
      disabled={statement === null || act.isPending}
      onClose={onClose}
      onSubmit={() => {
        if (!statement) return
        act.mutate(
          {
            target: { filter: new URLSearchParams({ unmatched: code }).toString() },
            change: { record: { standards: { remove: [{ framework, code }], add: [alignmentTo(statement)] } } },
          },
          { onSuccess: onClose },
        )
      }}
    >
      <StatementPicker label={texts.standards.pick} onPick={setStatement} className="rounded-ui border border-edge" />
      {statement ? (
        <p className="rounded-ui bg-well px-3 py-2">
          <strong>{statementName(statement)}</strong>
          <br />
          {statement.text}
        </p>
      ) : null}
    </FormDialog>
  )
}
