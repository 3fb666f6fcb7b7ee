import { type FormEvent, useId, useState } from 'react'
import type { Corrections, Look } from '@/api/documents'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { control } from '@/ui/Field'
import type { Part } from './corrections'
import { phraseOfLook } from './phrases'
import type { Correct } from './useCorrections'

const words = texts.document

type Props = { looks: Look[]; corrections: Corrections; correct: Correct }

/** What holds for the whole document: how right answers are marked, points, and everything that was corrected so far. */
export function DocumentTools({ looks, corrections, correct }: Props) {
  const [open, setOpen] = useState(false)
  const held = heldOf(corrections)
  return (
    <section aria-label={words.tools.title} className="border-hairline border-b bg-page px-4 py-2">
      <Button look="quiet" className="!px-0" aria-expanded={open} onClick={() => setOpen(!open)}>
        {words.tools.title}
        {held.length > 0 ? ` (${held.length})` : ''}
      </Button>
      {open ? (
        <div className="grid gap-x-8 gap-y-4 py-2 md:grid-cols-2">
          <div>
            <h3 className="font-semibold">{words.key.title}</h3>
            <p className="text-second">{looks.length > 0 ? words.key.about : words.key.none}</p>
            <ul className="mt-2 flex flex-col gap-1">
              {looks.slice(0, 8).map((look) => (
                <KeyLook key={look.look} look={look} said={corrections.looks?.[look.look] ?? ''} correct={correct} />
              ))}
            </ul>
          </div>
          <div className="flex flex-col gap-4">
            <Points correct={correct} said={corrections.points} />
            <div>
              <h3 className="font-semibold">{words.tools.held}</h3>
              {held.length === 0 ? <p className="text-second">{words.tools.none}</p> : null}
              <p className="mt-1 flex flex-wrap gap-1.5">
                {held.map((one) => (
                  <Chip
                    key={`${one.part} ${one.name}`}
                    removeName={`${words.tools.remove}: ${one.title}`}
                    onRemove={() => (one.part === 'points' ? correct.points('') : correct.set(one.part, one.name, null))}
                  >
                    {one.title}
                  </Chip>
                ))}
              </p>
            </div>
          </div>
        </div>
      ) : null}
    </section>
  )
}

function KeyLook({ look, said, correct }: { look: Look; said: string; correct: Correct }) {
  const id = useId()
  return (
    <li className="flex flex-wrap items-center gap-2">
      <label htmlFor={id} className="min-w-0 flex-1">
        {phraseOfLook(look.look)} <span className="text-caption text-second">({words.key.questions({ n: look.questions })})</span>
      </label>
      <select
        id={id}
        aria-label={`${words.key.means}: ${phraseOfLook(look.look)}`}
        className={control}
        value={said}
        onChange={(event) => correct.set('looks', look.look, event.target.value || null)}
      >
        <option value="">{words.key.automatic({ key: `${look.key}` })}</option>
        <option value="key">{words.key.key}</option>
        <option value="nothing">{words.key.nothing}</option>
      </select>
    </li>
  )
}

function Points({ correct, said }: { correct: Correct; said: Corrections['points'] }) {
  const id = useId()
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    correct.points(String(new FormData(event.currentTarget).get('points') ?? ''))
  }
  return (
    <form onSubmit={submit} className="flex flex-wrap items-center gap-2">
      <label htmlFor={id} className="font-semibold">
        {words.tools.points}
      </label>
      <input
        id={id}
        name="points"
        type="number"
        min={0}
        max={10000}
        step={0.0001}
        defaultValue={said ?? ''}
        key={`${said ?? ''}`}
        className={`${control} w-20`}
      />
      <Button type="submit">{words.tools.setPoints}</Button>
    </form>
  )
}

type Held = { part: Part | 'points'; name: string; title: string }

function heldOf(corrections: Corrections): Held[] {
  const of = <Value,>(part: Part, title: (name: string, value: Value) => string): Held[] =>
    Object.entries((corrections[part] ?? {}) as Record<string, Value>).map(([name, value]) => ({ part, name, title: title(name, value) }))
  const lines = words.line as unknown as Record<string, string>
  return [
    ...of<string>('looks', (look, means) =>
      words.tools.heldLook({ look: phraseOfLook(look), what: means === 'key' ? words.key.key : words.key.nothing }),
    ),
    ...of<string>('words', (word, means) => words.tools.heldWord({ word, what: words.words[means] ?? means })),
    ...of<string>('lines', (line, is) => words.tools.heldLine({ n: Number(line), what: lines[is] ?? is })),
    ...of<string>('types', (line, type) => words.tools.heldType({ n: Number(line), what: words.types[type] ?? type })),
    ...of<number[]>('keys', (line) => words.tools.heldKey({ n: Number(line) })),
    ...(corrections.points === undefined || corrections.points === null
      ? []
      : [{ part: 'points' as const, name: 'points', title: words.tools.heldPoints({ n: `${corrections.points}` }) }]),
  ]
}
