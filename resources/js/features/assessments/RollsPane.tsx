import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { type PrintSettings, setPrint } from '@/api/assembly'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'
import { EntryRolls } from './print/EntryRolls'
import { SeedField } from './print/SeedField'
import type { Document } from './useDocument'

/** Which values the questions have on the sheet: all rolled again, or one; each stored at once. */
export function RollsPane({ document, mayWrite }: { document: Document; mayWrite: boolean }) {
  const { stored, printsLike } = document
  const tell = useToast()
  const [settings, setSettings] = useState<PrintSettings>(stored.print)
  const store = useMutation({
    mutationFn: (next: PrintSettings) => setPrint(stored.id, next),
    scope: { id: `print of ${stored.id}` }, // one after the other: the last one stands
    onSuccess: (_, next) => printsLike(next),
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  const change = (next: PrintSettings) => {
    setSettings(next)
    store.mutate(next)
  }
  return (
    <div className="flex flex-col gap-4 p-5">
      <h2 className="text-head font-semibold">{texts.assembly.printing.rolls.title}</h2>
      <SeedField settings={settings} mayWrite={mayWrite} onChange={change} />
      <EntryRolls
        assessment={stored.id}
        settings={settings}
        stored={`${stored.version} ${JSON.stringify(stored.print)}`}
        mayWrite={mayWrite}
        onChange={change}
      />
    </div>
  )
}
