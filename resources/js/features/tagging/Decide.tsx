import { type KeyboardEvent, type RefObject, useId, useState } from 'react'
import type { Untagged } from '@/api/standards'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { control, Field } from '@/ui/Field'
import { Suggestions } from '@/ui/Suggestions'
import type { TagNode } from './Tagging'
import type { Decision } from './useTagging'

const words = texts.tagging
const FOUND = 8

type Props = {
  proposals: Untagged['proposals']
  nodes: TagNode[]
  framework: string
  decision: Decision
  before: Decision | null
  search: RefObject<HTMLInputElement | null>
  onToggle: (id: string, touches?: boolean) => void
  onChange: (decision: Decision) => void
  onNext: () => void
  onSame: () => void
  onSkip: () => void
  onUndo: (() => void) | null
  onLeaveSearch: () => void
}

/** What a question is about: proposals with the words that decided, a search in the tree, and what else goes in the same pass. */
export function Decide(props: Props) {
  const { proposals, nodes, framework, decision, before, onToggle, onChange, onNext, onSame, onSkip, onUndo } = props
  const named = new Map(nodes.map((one) => [one.id, one]))
  const chosen = (id: string) => decision.nodes.find((one) => one.id === id)
  return (
    <section aria-label={words.reading} className="flex min-h-0 flex-col border-hairline border-l bg-well">
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto px-5 py-3 max-lg:overflow-visible">
        <div>
          <h2 className="font-semibold">{words.proposals}</h2>
          {proposals.length === 0 ? <p className="text-quiet">{words.noProposals}</p> : null}
          <ol>
            {proposals.map((one, i) => {
              const node = named.get(one.node)
              const on = chosen(one.node)
              return (
                <li key={one.node}>
                  <button
                    type="button"
                    aria-pressed={on !== undefined}
                    className={`-outline-offset-2 flex w-full items-start gap-2 rounded-ui border px-2 py-1 text-left ${on ? 'border-accent bg-accent-tint' : 'border-transparent hover:bg-paper'}`}
                    onClick={(event) => onToggle(one.node, event.shiftKey)}
                  >
                    <kbd className="mt-0.5 flex-none rounded border border-edge px-1.5 text-caption">{i + 1}</kbd>
                    <span className="min-w-0 flex-1">
                      <span className="font-semibold">{node?.name}</span>
                      {on?.touches ? <span className="pl-1 text-caption text-second">({words.touch})</span> : null}
                      {node?.text ? <span className="block truncate text-caption text-second">{node.text}</span> : null}
                      <span className="block text-caption text-quiet">{words.because({ words: one.words.join(', ') })}</span>
                    </span>
                  </button>
                </li>
              )
            })}
          </ol>
        </div>
        <TreeSearch {...props} />
        <div>
          <h2 className="font-semibold">{words.chosen}</h2>
          {decision.nodes.length === 0 ? <p className="text-quiet">{words.none}</p> : null}
          <div className="flex flex-wrap gap-1">
            {decision.nodes.map(({ id, touches }) => (
              <Chip key={id} onRemove={() => onToggle(id, touches)} removeName={texts.record.takeOff({ what: named.get(id)?.name ?? '' })}>
                {named.get(id)?.name}
                {framework === '' ? null : (
                  <button
                    type="button"
                    className="ml-1 min-h-6 border-hairline border-l pl-1 text-caption text-second underline decoration-dotted"
                    onClick={() => onToggle(id, !touches)}
                  >
                    {touches ? words.touch : words.assess}
                  </button>
                )}
              </Chip>
            ))}
          </div>
        </div>
        <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
          <span aria-hidden="true" className="text-caption text-second">
            {words.difficulty}
          </span>
          <fieldset aria-label={words.difficulty} className="flex gap-1">
            {[1, 2, 3, 4, 5].map((n) => (
              <button
                key={n}
                type="button"
                aria-pressed={decision.difficulty === n}
                className="min-h-8 min-w-8 rounded-ui border border-edge bg-paper aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent"
                onClick={() => onChange({ ...decision, difficulty: n })}
              >
                {n}
              </button>
            ))}
          </fieldset>
          {(['purpose', 'level'] as const).map((name) => (
            <FieldLine
              key={name}
              label={words[name]}
              value={decision[name]}
              onChange={(value) => onChange({ ...decision, [name]: value })}
              onNext={onNext}
            />
          ))}
        </div>
      </div>
      <div className="flex-none border-hairline border-t px-5 py-3">
        <div className="flex flex-wrap gap-2">
          <Button look="primary" onClick={onNext} aria-disabled={decision.nodes.length === 0}>
            {words.next}
          </Button>
          <Button
            onClick={onSame}
            aria-disabled={before === null}
            title={before ? words.sameAs({ name: before.nodes.map(({ id }) => named.get(id)?.name).join(', ') }) : undefined}
          >
            {words.same}
          </Button>
          <Button onClick={onSkip}>{words.skip}</Button>
          <Button onClick={() => onUndo?.()} aria-disabled={onUndo === null}>
            {words.undo}
          </Button>
        </div>
        <p className="mt-2 text-caption text-quiet">{words.keys}</p>
      </div>
    </section>
  )
}

function FieldLine({
  label,
  value,
  onChange,
  onNext,
}: {
  label: string
  value: string
  onChange: (value: string) => void
  onNext: () => void
}) {
  const id = useId()
  return (
    <>
      <label htmlFor={id} className="text-caption text-second">
        {label}
      </label>
      <input
        id={id}
        className={`${control} w-full`}
        maxLength={100}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            event.preventDefault()
            onNext()
          } else if (event.key === 'Escape') event.currentTarget.blur()
        }}
      />
    </>
  )
}

/** The tree by code and words: what is typed narrows it, Enter takes the first. */
function TreeSearch({ nodes, decision, search, onToggle, onLeaveSearch }: Props) {
  const [typed, setTyped] = useState('')
  const [at, setAt] = useState(0)
  const list = useId()
  const looked = typed.trim().toLowerCase().split(/\s+/).filter(Boolean)
  const found =
    looked.length === 0
      ? []
      : nodes
          .filter((one) => looked.every((word) => `${one.name} ${one.text}`.toLowerCase().includes(word)))
          .sort(
            (a, b) => Number(b.code.toLowerCase().startsWith(looked[0] ?? '')) - Number(a.code.toLowerCase().startsWith(looked[0] ?? '')),
          )
          .slice(0, FOUND)
  const take = (node: TagNode | undefined) => {
    if (!node) return
    onToggle(node.id)
    setTyped('')
    onLeaveSearch()
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      setTyped('')
      onLeaveSearch()
    } else if (event.key === 'Enter') take(found[at])
    else if (event.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1))
    else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0))
    else return
    event.preventDefault()
  }
  return (
    <div>
      <Field.Root>
        <Field.Label>{words.search}</Field.Label>
        <input
          ref={search}
          role="combobox"
          aria-label={words.search}
          aria-expanded={found.length > 0}
          aria-controls={list}
          aria-activedescendant={found[at] ? `${list}-${at}` : undefined}
          placeholder={words.searchHint}
          className={`${control} w-full`}
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value)
            setAt(0)
          }}
          onKeyDown={onKeyDown}
        />
      </Field.Root>
      <Suggestions
        id={list}
        label={words.search}
        items={found}
        at={at}
        onPick={take}
        className="mt-1 rounded-ui border border-hairline bg-paper"
      >
        {(one) => <span className={decision.nodes.some((node) => node.id === one.id) ? 'font-semibold' : ''}>{one.name}</span>}
      </Suggestions>
      {looked.length > 0 && found.length === 0 ? <p className="text-quiet">{texts.standards.noneFound}</p> : null}
    </div>
  )
}
