import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { tableQuery } from '@/api/tables'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Nothing, Waiting } from '@/ui/Message'
import { Changes } from './Changes'
import { withMapping } from './corrections'
import { KeptMappings } from './KeptMappings'
import { MappingGrid } from './MappingGrid'
import { SheetSettings } from './SheetSettings'
import { useTableCorrections } from './useTableCorrections'
import { WrongRows } from './WrongRows'

const words = texts.questionTable

/** A table as it is read: what each column is, and below it the cells with something wrong in them, to be mended there. */
export function TableReview({ intake, file }: { intake: string; file: string }) {
  const table = useQuery(tableQuery(intake, file))
  const correct = useTableCorrections(intake, file, table.data?.corrections ?? {})
  const [at, setAt] = useState(0)
  if (table.isPending) return <Waiting text={words.loading} />
  if (!table.data) return <Nothing title={table.error?.message ?? ''} />
  const { mapping, sheets, wrong, wrong_rows, kept } = table.data
  const sheet = mapping.sheets[at] ?? mapping.sheets[0]
  const shown = sheets[at] ?? sheets[0]
  const read = (next: typeof mapping) => correct.change((now) => withMapping(now, next), true)
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls can be reached by keyboard
    <section aria-label={words.view} aria-busy={correct.isPending} tabIndex={0} className="-outline-offset-2 h-full overflow-y-auto">
      <div className="flex items-center gap-3 px-4 pt-3">
        <h2 className="font-semibold text-title">{words.columns}</h2>
        {sheets.length > 1 ? (
          <nav aria-label={words.sheet} className="flex flex-wrap gap-1.5">
            {sheets.map((one, i) => (
              <Button key={one.name} aria-pressed={i === at} onClick={() => setAt(i)}>
                {one.name}
              </Button>
            ))}
          </nav>
        ) : null}
        <span role="status" className="flex-1 text-caption text-second">
          {correct.isPending ? words.reading : ''}
        </span>
        <KeptMappings kept={kept} mapping={mapping} onUse={read} />
      </div>
      <p className="px-4 text-second">{words.about}</p>
      {sheet && shown ? (
        <>
          <SheetSettings sheet={sheet} rows={shown.rows} at={at} mapping={mapping} onChange={read} />
          <MappingGrid sheet={sheet} rows={shown.rows} at={at} mapping={mapping} onChange={read} />
        </>
      ) : null}
      <Changes corrections={correct.now} onChange={correct.change} />
      <WrongRows wrong={wrong} total={wrong_rows} correct={correct} />
    </section>
  )
}
