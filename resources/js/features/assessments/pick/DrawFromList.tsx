import { useState } from 'react'
import type { Trees } from '@/api/queries'
import { conditionsOf } from '@/browse/filterQuery'
import { inWords } from '@/browse/Searches'
import type { Filter } from '@/browse/useFilter'
import { entriesOf, isDraw, withNewDraw, withSources } from '@/lib/assessment'
import { texts } from '@/messages'
import { Field } from '@/ui/Field'
import { FormDialog } from '@/ui/FormDialog'
import { useToast } from '@/ui/Toasts'
import type { Picking } from './usePicking'

const words = texts.assembly.sources

type Props = { picking: Picking; filter: Filter; trees: Trees | undefined; found: number | undefined; onClose: () => void }

/** So many of whatever the list finds, now and later: a draw of its own, or one more source of a draw that is there. */
export function DrawFromList({ picking, filter, trees, found, onClose }: Props) {
  const { document, banks, slug, section } = picking
  const tell = useToast()
  const draws = entriesOf(document.content).filter(isDraw)
  const [count, setCount] = useState(String(Math.max(1, Math.min(5, found ?? 5))))
  const [points, setPoints] = useState('')
  const [title, setTitle] = useState(() => inWords(filter.query, trees).slice(0, 120))
  const [into, setInto] = useState('')
  const named = filter.values('bank')
  const over = banks.filter((bank) => (slug === '' ? named.length === 0 || named.includes(bank.slug) : bank.slug === slug))
  const n = Math.round(Number(count))
  const isCount = n >= 1 && n <= 2000
  const add = () => {
    const source = {
      draw: n,
      conditions: conditionsOf(filter.query),
      banks: over.slice(0, 100).map((bank) => bank.id),
      ...(into !== '' && title !== '' ? { title } : {}),
    }
    document.change((now) =>
      into === ''
        ? withNewDraw(now, section, title, source, points === '' ? null : Number(points))[0]
        : withSources(now, into, (from) => [...from, source]),
    )
    tell({ text: words.added({ n }), undo: document.undo })
    onClose()
  }
  return (
    <FormDialog
      title={words.title}
      about={found === undefined ? words.about : words.aboutFound({ found })}
      go={words.go}
      disabled={!isCount || over.length === 0}
      onSubmit={add}
      onClose={onClose}
    >
      <div className="flex flex-wrap gap-4">
        <Field.Root problem={isCount ? null : words.countProblem}>
          <Field.Label>{texts.assembly.drawCount}</Field.Label>
          <Field.Text autoFocus type="number" min={1} max={2000} value={count} onChange={(event) => setCount(event.target.value)} />
        </Field.Root>
        {into === '' ? (
          <Field.Root problem={null}>
            <Field.Label>{texts.assembly.drawPoints}</Field.Label>
            <Field.Text
              type="number"
              min={0}
              max={100000}
              step="any"
              placeholder={texts.assembly.drawOwnPoints}
              value={points}
              onChange={(event) => setPoints(event.target.value)}
            />
          </Field.Root>
        ) : null}
      </div>
      <Field.Root problem={null}>
        <Field.Label>{texts.assembly.drawName}</Field.Label>
        <Field.Text maxLength={500} value={title} onChange={(event) => setTitle(event.target.value)} />
      </Field.Root>
      {draws.length > 0 ? (
        <Field.Root problem={null}>
          <Field.Label>{words.as}</Field.Label>
          <Field.Choice value={into} onChange={(event) => setInto(event.target.value)}>
            <option value="">{words.asNew}</option>
            {draws.map((one) => (
              <option key={one.id} value={one.id}>
                {words.asPart({ title: one.title || texts.assembly.draw })}
              </option>
            ))}
          </Field.Choice>
        </Field.Root>
      ) : null}
    </FormDialog>
  )
}
