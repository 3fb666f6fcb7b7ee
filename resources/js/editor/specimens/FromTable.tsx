import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson, Specimen } from '@/api/question'
import { readResponses, type TableRow } from '@/api/specimens'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Dialog } from '@/ui/Dialog'
import { control } from '@/ui/Field'
import { Message } from '@/ui/Message'
import { saidResponse } from './said'

const MOST = 500
const words = texts.specimens.table

type Props = {
  question: QuestionJson
  specimens: Specimen[]
  onKeep: (specimens: Omit<Specimen, 'id'>[]) => void
  onClose: () => void
}

/** A pasted table of responses: what was read of each row, what it scores, and which rows are kept. */
export function FromTable({ question, specimens, onKeep, onClose }: Props) {
  const [text, setText] = useState('')
  const [told, setTold] = useState<{ columns?: string[]; head?: boolean }>({})
  const [left, setLeft] = useState<number[]>([])
  const [by, setBy] = useState<'table' | 'now'>('table')
  const asked = useDebouncedValue(text, 300)
  const withAll = { ...question, record: { ...question.record, specimens } }
  const read = useQuery({
    queryKey: ['responses', JSON.stringify(withAll), asked, told],
    queryFn: () => readResponses(withAll, asked, told.columns, told.head),
    enabled: asked.trim() !== '',
    retry: false,
    gcTime: 0,
    placeholderData: (before) => before,
  })
  const rows = asked.trim() === '' ? [] : (read.data?.rows ?? [])
  const columns = read.data?.columns ?? []
  const head = read.data?.head ?? false
  const stated = (row: TableRow) => (by === 'table' && row.stated !== null ? row.stated : row.scores === null ? null : String(row.scores))
  const usable = rows.filter((row) => row.problem === null && !row.known && stated(row) !== null)
  const kept = usable.filter((row) => !left.includes(row.number)).slice(0, MOST - specimens.length)
  const options: [string, string][] = [
    ...question.parts.map((part, i): [string, string] => [
      `part:${part.id}`,
      question.parts.length === 1 ? words.answer : part.label ? words.part({ n: i + 1, label: part.label }) : words.partAlone({ n: i + 1 }),
    ]),
    ...Object.entries(words.holds),
  ]
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={words.title}
      about={words.about}
      closeName={texts.frame.close}
      actions={
        <>
          <Button onClick={onClose}>{texts.frame.cancel}</Button>
          <Button
            look="primary"
            aria-disabled={kept.length === 0}
            onClick={() =>
              kept.length === 0
                ? undefined
                : onKeep(
                    kept.map((row) => ({
                      response: row.response,
                      score: stated(row) ?? '0',
                      ...(row.seed === 1 ? {} : { seed: row.seed }),
                      ...(row.note ? { note: row.note } : {}),
                    })),
                  )
            }
          >
            {words.keep({ n: kept.length })}
          </Button>
        </>
      }
    >
      <div className="flex flex-col gap-3">
        <textarea
          aria-label={words.text}
          rows={rows.length === 0 ? 8 : 3}
          className={`${control} w-full font-mono`}
          value={text}
          onChange={(event) => {
            setText(event.target.value)
            setTold({})
            setLeft([])
          }}
        />
        {read.isError ? <Message look="problem">{read.error.message}</Message> : null}
        {rows.length > 0 ? (
          <>
            <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-2">
              <legend className="sr-only">{words.columns}</legend>
              {columns.map((holds, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                <label key={at} className="flex items-center gap-2 text-caption text-second">
                  {words.column({ n: at + 1 })}
                  <select
                    className={control}
                    value={holds}
                    onChange={(event) => setTold({ head, columns: columns.map((one, i) => (i === at ? event.target.value : one)) })}
                  >
                    {options.map(([key, title]) => (
                      <option key={key} value={key}>
                        {title}
                      </option>
                    ))}
                  </select>
                </label>
              ))}
              <label className="flex items-center gap-2 text-caption">
                <input type="checkbox" checked={head} onChange={(event) => setTold({ columns, head: event.target.checked })} />
                {words.head}
              </label>
              <label className="flex items-center gap-2 text-caption text-second">
                {words.statedBy}
                <select className={control} value={by} onChange={(event) => setBy(event.target.value === 'now' ? 'now' : 'table')}>
                  <option value="table">{words.fromTable}</option>
                  <option value="now">{words.fromNow}</option>
                </select>
              </label>
            </fieldset>
            <table className="w-full">
              <thead>
                <tr className="border-hairline border-b text-left text-caption text-second">
                  <th scope="col" className="w-10 font-normal">
                    <span className="sr-only">{words.keep({ n: kept.length })}</span>
                  </th>
                  <th scope="col" className="font-normal">
                    {texts.specimens.response}
                  </th>
                  <th scope="col" className="w-24 font-normal">
                    {texts.specimens.must}
                  </th>
                  <th scope="col" className="w-40 font-normal">
                    {texts.specimens.now}
                  </th>
                  <th scope="col" className="font-normal">
                    {texts.specimens.note}
                  </th>
                </tr>
              </thead>
              <tbody>
                {rows.map((row) => {
                  const said = row.problem === null ? saidResponse(row.response, question) : row.cells.join(' · ')
                  const can = usable.includes(row)
                  return (
                    <tr key={row.number} className="border-hairline border-b align-top">
                      <td className="py-1">
                        <input
                          type="checkbox"
                          aria-label={`${words.unread({ n: row.number })}: ${said}`}
                          disabled={!can}
                          checked={can && !left.includes(row.number)}
                          onChange={(event) =>
                            setLeft(event.target.checked ? left.filter((one) => one !== row.number) : [...left, row.number])
                          }
                        />
                      </td>
                      <td className="py-1">
                        <span className="font-serif">{said}</span>
                        {row.problem ? <span className="block text-caption text-problem">{row.problem}</span> : null}
                        {row.known ? <span className="block text-caption text-quiet">{words.known}</span> : null}
                      </td>
                      <td className="py-1 tabular-nums">{stated(row) ?? ''}</td>
                      <td className="py-1 text-caption">
                        {row.problem || row.scores === null ? null : stated(row) === String(row.scores) ? (
                          <span className="text-accent">{words.agrees}</span>
                        ) : (
                          <strong className="text-problem">{words.differs({ scored: row.scores })}</strong>
                        )}
                      </td>
                      <td className="py-1">{row.note}</td>
                    </tr>
                  )
                })}
              </tbody>
            </table>
            {usable.length === 0 ? <p className="text-attention">{words.none}</p> : null}
            {usable.length > MOST - specimens.length ? <p className="text-attention">{words.most}</p> : null}
          </>
        ) : null}
      </div>
    </Dialog>
  )
}
