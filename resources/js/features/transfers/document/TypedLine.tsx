import { EllipsisVertical } from 'lucide-react'
import { useMemo } from 'react'
import type { Line } from '@/api/documents'
import { texts } from '@/messages'
import { htmlTree } from '@/ui/htmlTree'
import { Menu } from '@/ui/Menu'
import { RichTree } from '@/ui/RichTree'
import { wordOf } from './corrections'
import { colourOf } from './phrases'
import type { Correct } from './useCorrections'

const words = texts.document

type Props = {
  line: Line
  media: (id: string) => string
  correct: Correct
  /** What was said of this line. */
  held: string | undefined
  /** Says that the option of this line is right; absent where it is none. */
  onRight?: () => void
}

/** A paragraph as it was typed, and what its author may say of it. */
export function TypedLine({ line, media, correct, held, onRight }: Props) {
  const tree = useMemo(() => htmlTree(line.html), [line.html])
  // of what may be chosen: elsewhere a colour is how the document looks
  const colours = (line.option === null ? [] : line.looks).map(colourOf).filter((colour) => colour !== null)
  const word = useMemo(() => wordOf(line.html), [line.html])
  const say = (is: string | null) => correct.set('lines', `${line.number}`, is)
  return (
    <div className="group flex items-start gap-1">
      <span className="w-8 flex-none pt-0.5 text-right text-caption text-quiet tabular-nums" aria-hidden="true">
        {line.number}
      </span>
      <div
        className="question-text beside min-w-0 flex-1 [overflow-wrap:anywhere]"
        style={colours[0] ? { boxShadow: `inset 0 -3px 0 ${colours[0]}` } : undefined}
      >
        <RichTree nodes={tree} media={media} />
      </div>
      <Menu.Root
        align="end"
        button={
          <button
            type="button"
            aria-label={words.line.menu({ n: line.number })}
            title={words.line.menu({ n: line.number })}
            className="min-h-6 min-w-6 flex-none rounded-ui text-quiet hover:bg-well hover:text-ink group-hover:text-ink"
          >
            <EllipsisVertical size={16} aria-hidden="true" className="mx-auto" />
          </button>
        }
      >
        {onRight ? <Menu.Item onSelect={onRight}>{words.line.right}</Menu.Item> : null}
        {onRight ? <Menu.Line /> : null}
        {(['question', 'more', 'heading', 'stimulus', 'unused'] as const).map((is) => (
          <Menu.Item key={is} onSelect={() => say(is)}>
            {words.line[is]}
          </Menu.Item>
        ))}
        {held ? <Menu.Item onSelect={() => say(null)}>{words.line.forget}</Menu.Item> : null}
        {word ? <Menu.Line /> : null}
        {word ? <Menu.Label>{words.line.like({ word })}</Menu.Label> : null}
        {word
          ? Object.entries(words.words).map(([is, title]) => (
              <Menu.Item key={is} onSelect={() => correct.set('words', word, is)}>
                {title}
              </Menu.Item>
            ))
          : null}
      </Menu.Root>
    </div>
  )
}
