import { type KeyboardEvent, useId, useRef } from 'react'
import type { WrongRow } from '@/api/tables'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { withCell, withSkipped } from './corrections'
import type { CorrectTable } from './useTableCorrections'

const words = texts.questionTable.wrong

type Props = { wrong: WrongRow[]; total: number; correct: CorrectTable }

/** Rows with something wrong in them: the sentence at its cell, and the cell to be typed anew. */
export function WrongRows({ wrong, total, correct }: Props) {
  const box = useRef<HTMLElement>(null)
  // Enter goes to the next cell, as down a column
  const next = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key !== 'Enter') return
    event.preventDefault()
    const cells = [...(box.current?.querySelectorAll<HTMLInputElement>('input[data-cell]') ?? [])]
    const after = cells[cells.indexOf(event.currentTarget) + 1]
    if (after) after.focus()
    else event.currentTarget.blur()
  }
  return (
    <section ref={box} aria-label={words.title({ n: total })} className="px-4 pt-4 pb-8">
      <h2 className="font-semibold text-title">{words.title({ n: total })}</h2>
      {total > 0 ? <p className="text-second">{words.about}</p> : null}
      <ul className="mt-2 flex flex-col gap-3">
        {wrong.map((row) => (
          <Row key={row.rows.join()} row={row} correct={correct} onKey={next} />
        ))}
      </ul>
      {total > wrong.length ? <p className="mt-3 text-second">{words.more({ n: wrong.length })}</p> : null}
    </section>
  )
}

function Row({ row, correct, onKey }: { row: WrongRow; correct: CorrectTable; onKey: (event: KeyboardEvent<HTMLInputElement>) => void }) {
  const wrongAt = new Set(row.problems.map((one) => one.path))
  const known = new Set(row.cells.map((one) => one.address))
  const rest = row.problems.filter((one) => !known.has(one.path))
  const name = words.row({ n: row.rows.length, rows: row.rows.length > 1 ? `${row.rows[0]}–${row.rows.at(-1)}` : (row.rows[0] ?? '') })
  return (
    <li className="grid grid-cols-[6rem_1fr_auto] items-start rounded-ui border border-hairline bg-paper max-md:grid-cols-[1fr_auto]">
      <h3 className="px-3 py-2 font-semibold">{name}</h3>
      <div className="order-3 p-1">
        <Button
          look="quiet"
          aria-label={words.skipOf({ row: row.rows[0] ?? '' })}
          onClick={() => correct.change((now) => withSkipped(now, row.rows, true), true)}
        >
          {words.skip}
        </Button>
      </div>
      <div className="order-2 flex flex-wrap gap-x-5 gap-y-2 px-3 py-2 max-md:order-4 max-md:col-span-2">
        {row.cells.map((cell) =>
          wrongAt.has(cell.address) ? (
            <WrongCell
              key={cell.address}
              cell={cell}
              sentences={row.problems.filter((one) => one.path === cell.address).map((one) => one.message)}
              held={correct.now.cells?.[cell.address]}
              onSay={(text) => correct.change((now) => withCell(now, cell.address, text))}
              onKey={onKey}
            />
          ) : cell.text === '' ? null : (
            <p key={cell.address} className="min-w-16 max-w-72">
              <span className="block text-caption text-second">{cell.heading}</span>
              <span className="block truncate">{cell.text}</span>
            </p>
          ),
        )}
      </div>
      {rest.map((one) => (
        <p key={one.path + one.code} className="order-5 col-span-full px-3 pb-2 text-problem">
          {one.path}: {one.message}
        </p>
      ))}
    </li>
  )
}

type CellProps = {
  cell: WrongRow['cells'][number]
  sentences: string[]
  held: string | undefined
  onSay: (text: string) => void
  onKey: (event: KeyboardEvent<HTMLInputElement>) => void
}

function WrongCell({ cell, sentences, held, onSay, onKey }: CellProps) {
  const id = useId()
  return (
    <div className="flex w-72 flex-col gap-1">
      <label htmlFor={id} className="text-caption text-second">
        {words.cell({ heading: cell.heading, address: cell.address })}
      </label>
      <input
        id={id}
        key={cell.text}
        data-cell={cell.address}
        className={control}
        defaultValue={held ?? cell.text}
        aria-invalid
        aria-describedby={`${id}-problem`}
        onKeyDown={onKey}
        onBlur={(event) => {
          if (event.target.value !== (held ?? cell.text)) onSay(event.target.value)
        }}
      />
      <p id={`${id}-problem`} className="text-caption text-problem">
        {sentences.join(' ')}
      </p>
    </div>
  )
}
