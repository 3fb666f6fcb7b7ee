import type { FormEntry, FormSet } from '@/api/paper'
import { saveFile } from '@/lib/saveFile'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { byMaster, keysAsCsv, keyText } from './byMaster'

const words = texts.paper.forms

/** The map from every form back to the assessment, and the keys of all forms side by side. */
export function KeyTable({ set }: { set: FormSet }) {
  const rows = byMaster(set)
  const title = (entry: FormEntry): string => set.titles[entry.question] ?? words.hidden
  const download = () => {
    const csv = keysAsCsv(set, words.question, title)
    saveFile(new Blob(['\uFEFF', csv], { type: 'text/csv;charset=utf-8' }), 'keys.csv')
  }
  return (
    <section aria-label={words.table}>
      <div className="mb-1 flex flex-wrap items-baseline gap-4">
        <h2 className="font-semibold">{words.table}</h2>
        <p className="flex-1 text-caption text-second">{words.tableAbout}</p>
        <Button look="quiet" onClick={download}>
          {words.csv}
        </Button>
      </div>
      <div className="overflow-x-auto rounded-ui border border-hairline bg-paper">
        <table className="w-full border-collapse tabular-nums">
          <thead>
            <tr className="border-hairline border-b text-caption text-second">
              <th scope="col" colSpan={2} className="px-3 py-1.5 text-left font-normal">
                {words.question}
              </th>
              {set.forms.map((form) => (
                <th key={form.letter} scope="col" className="px-3 py-1.5 text-left font-semibold">
                  {words.form({ letter: form.letter })}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ master, entries }) => {
              const asked = Object.values(entries)
              const isDrawn = asked.some((entry) => entry.question !== asked[0]?.question)
              const named = isDrawn || !asked[0] ? words.drawn : title(asked[0])
              return (
                <tr key={master} className="border-hairline border-b last:border-b-0">
                  <td className="w-10 px-3 py-1.5 text-right align-top text-second">{master}.</td>
                  <th scope="row" className="max-w-80 truncate py-1.5 pr-3 text-left align-top font-normal" title={named}>
                    {isDrawn ? <span className="text-quiet">{named}</span> : named}
                  </th>
                  {set.forms.map(({ letter }) => (
                    <td key={letter} className="max-w-56 whitespace-nowrap px-3 py-1.5 align-top">
                      {entries[letter] ? <Cell entry={entries[letter]} title={isDrawn ? title(entries[letter]) : ''} /> : null}
                    </td>
                  ))}
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </section>
  )
}

/** @param  title  of a question that other forms do not ask; else '' */
function Cell({ entry, title }: { entry: FormEntry; title: string }) {
  return (
    <>
      <span className="inline-block w-8 text-second">{entry.number}.</span>
      <strong>{keyText(entry)}</strong>
      {title === '' ? null : (
        <span className="block truncate text-caption text-second" title={title}>
          {title}
        </span>
      )}
    </>
  )
}
