import { useId, useMemo } from 'react'
import type { TreeNode } from '@/api/question'
import { countWords } from '@/lib/countWords'
import { lazyAgain } from '@/lib/lazyAgain'
import { plainOf } from '@/lib/plainOf'
import { texts } from '@/messages'
import { RichTree } from '@/ui/RichTree'
import type { LearnerProps } from '../definePart'
import { treeHtml } from './treeHtml'

const words = texts.kind.essay
const MOST_LINES = 24

const RichAnswer = lazyAgain(() => import('./RichAnswer').then((module) => ({ default: module.RichAnswer })))

type Settings = {
  lines: number
  format: 'plain' | 'rich'
  words: { min: number | null; max: number | null }
  prompts: TreeNode[][]
  start: string | TreeNode[]
  spelling: boolean
}

/** What is asked for, a field to write in, and how many words it has; nothing is ever cut. */
export function Learner({ part, response, onChange, disabled, media }: LearnerProps) {
  const settings = part.settings as Settings
  const id = useId()
  const start = useMemo(() => (typeof settings.start === 'string' ? settings.start : treeHtml(settings.start)), [settings.start])
  const text = response === undefined ? start : String(response.text ?? '')
  const isRich = settings.format === 'rich'
  const rows = Math.min(MOST_LINES, Math.max(3, settings.lines))
  const label = part.label || words.writes
  return (
    <div className="my-3 flex flex-col gap-1">
      {settings.prompts.length > 0 ? (
        <ul className="list-disc pl-5">
          {settings.prompts.map((nodes, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: prompts have no identity but their order
            <li key={i}>
              <RichTree nodes={nodes} {...(media ? { media } : {})} />
            </li>
          ))}
        </ul>
      ) : null}
      {isRich ? (
        <RichAnswer text={text} label={label} rows={rows} spelling={settings.spelling} disabled={disabled === true} onChange={onChange} />
      ) : (
        <textarea
          aria-label={label}
          aria-describedby={id}
          rows={rows}
          spellCheck={settings.spelling}
          autoComplete="off"
          readOnly={disabled}
          className="w-full resize-y rounded-ui border border-edge bg-paper px-3 py-2 font-serif text-question leading-relaxed"
          value={text}
          onChange={(event) => onChange({ text: event.target.value })}
        />
      )}
      <Count id={id} text={isRich ? plainOf(text) : text} limits={settings.words} />
    </div>
  )
}

function Count({ id, text, limits }: { id: string; text: string; limits: Settings['words'] }) {
  const count = useMemo(() => countWords(text), [text])
  const isOver = limits.max !== null && count > limits.max
  const isUnder = limits.min !== null && count < limits.min
  return (
    <p className="flex flex-wrap justify-between gap-x-4 font-sans text-caption text-second">
      <span id={id}>{limit(limits)}</span>
      <span>
        {/* said once when the limit is passed, not with every word */}
        <span role="status" className="text-attention">
          {isOver ? words.over({ max: limits.max ?? 0 }) : ''}
        </span>{' '}
        <span className={isOver ? 'font-semibold text-attention' : isUnder ? 'text-second' : 'text-ink'}>{words.count({ n: count })}</span>
      </span>
    </p>
  )
}

function limit({ min, max }: Settings['words']): string {
  if (min !== null && max !== null) return words.between({ min, max })
  if (max !== null) return words.atMost({ max })
  return min ? words.atLeast({ min }) : ''
}
