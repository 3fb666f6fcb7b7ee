import { Pin } from 'lucide-react'
import { memo } from 'react'
import type { Feedback, Rule } from '@/api/question'
import { texts } from '@/messages'
import { LazyRich } from '@/ui/LazyRich'
import { Credit } from '../Credit'
import { FeedbackField } from '../FeedbackField'
import { RemoveButton } from '../RemoveButton'
import type { Option } from './optionKey'

type Props = {
  option: Option
  name: string
  sign: string
  rule: Rule<string> | undefined
  first: boolean
  /** With a picture, side by side with the others, as a learner sees it. */
  isCard: boolean
  shuffled: boolean
  wrong: string | undefined
  autoFocus: boolean
  media: (id: string) => string
  acts: OptionActs
}

/** What is done with an option, named by its id; the same functions at every render. */
export type OptionActs = {
  text: (id: string, html: string) => void
  next: (id: string) => void
  move: (id: string, by: -1 | 1) => void
  key: (id: string) => void
  credit: (id: string, credit: string) => void
  feedback: (id: string, feedback: Feedback) => void
  fixed: (id: string) => void
  remove: (id: string) => void
  pasteLines: (id: string, text: string) => boolean
}

const words = { part: (id: string) => id }
/** Where the cells of an option stand: beside one another, on a phone in two lines, on a card around its picture. */
const places = {
  row: {
    row: 'border-t max-sm:grid max-sm:grid-cols-[2.75rem_minmax(0,1fr)_auto]',
    text: 'sm:min-w-40',
    credit: 'max-sm:col-start-3 max-sm:row-start-1',
    feedback: 'max-sm:col-start-2 max-sm:row-start-2',
    buttons: 'max-sm:col-start-3 max-sm:row-start-2',
  },
  card: {
    row: 'grid grid-cols-[2.75rem_minmax(0,1fr)_auto] grid-rows-[auto_1fr_auto] rounded-ui border',
    text: 'col-span-3 col-start-1 row-start-2',
    credit: 'col-start-2 row-start-1',
    feedback: 'col-span-3 col-start-1 row-start-3',
    buttons: 'col-start-3 row-start-1',
  },
}

/** One option: whether it is the key, its text, what it earns and says, whether it stays in its place. */
export const OptionRow = memo(function OptionRow(props: Props) {
  const { option, name, sign, rule, wrong, acts } = props
  const isKey = rule?.credit === '1'
  const at = props.isCard ? places.card : places.row
  const keys = (event: KeyboardEvent) => {
    if (event.altKey && !event.shiftKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      acts.move(option.id, event.key === 'ArrowUp' ? -1 : 1)
    else if (event.altKey && event.key === 'Enter') acts.key(option.id)
    else return false
    return true
  }
  return (
    <tr className={`border-hairline align-top ${at.row} ${isKey ? 'bg-accent-tint' : ''}`}>
      <td className="px-2 py-1.5">
        <button
          type="button"
          aria-pressed={isKey}
          aria-label={texts.parts.isKey({ option: name })}
          title={texts.parts.isKey({ option: name })}
          onClick={() => acts.key(option.id)}
          className={`min-h-7 min-w-7 rounded-ui border font-serif ${isKey ? 'border-accent bg-accent text-on-accent' : 'border-transparent text-second hover:border-edge'}`}
        >
          {sign || (isKey ? '✓' : '·')}
        </button>
      </td>
      <td className={`px-2 py-1.5 ${at.text}`} data-option="">
        <LazyRich
          value={option.html}
          label={name}
          words={words}
          view={{ media: props.media, table: '' }}
          placeholder={props.first ? texts.parts.firstOption : texts.parts.nextOption}
          autoFocus={props.autoFocus}
          onEnter={() => acts.next(option.id)}
          onPasteLines={(text) => acts.pasteLines(option.id, text)}
          onKey={keys}
          onChange={(html) => acts.text(option.id, html)}
        />
        {wrong ? <p className="text-caption text-problem">{wrong}</p> : null}
      </td>
      <td className={`whitespace-nowrap px-2 py-1.5 text-right ${at.credit}`}>
        <Credit value={rule?.credit ?? '0'} label={name} onChange={(credit) => acts.credit(option.id, credit)} />
      </td>
      <td className={`px-2 py-1.5 ${at.feedback}`}>
        <FeedbackField
          withShow
          value={rule?.feedback}
          label={`${texts.parts.feedback}: ${name}`}
          onChange={(feedback) => acts.feedback(option.id, feedback)}
        />
      </td>
      <td className={`whitespace-nowrap px-1 py-1.5 text-right ${at.buttons}`}>
        {props.shuffled ? (
          <button
            type="button"
            aria-pressed={option.fixed === true}
            aria-label={texts.parts.stays({ option: name })}
            title={texts.parts.stays({ option: name })}
            className="min-h-7 min-w-7 rounded-ui text-quiet hover:bg-well aria-pressed:text-accent"
            onClick={() => acts.fixed(option.id)}
          >
            <Pin size={14} aria-hidden="true" fill={option.fixed ? 'currentColor' : 'none'} className="inline" />
          </button>
        ) : null}
        <RemoveButton name={name} onClick={() => acts.remove(option.id)} />
      </td>
    </tr>
  )
})
