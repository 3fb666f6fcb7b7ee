import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { Line, Understood } from '@/api/documents'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'
import { Button } from '@/ui/Button'
import { htmlTree } from '@/ui/htmlTree'
import { Menu } from '@/ui/Menu'
import { RichTree } from '@/ui/RichTree'
import { edgeOf, Marker } from './Marker'
import { surenessOf } from './phrases'
import type { Correct } from './useCorrections'

const words = texts.document
const tones = { sure: 'bg-accent-tint text-accent', check: 'bg-attention-tint text-attention', none: 'bg-problem-tint text-problem' }

type Props = {
  intake: string
  question: Understood
  /** What it was typed in, from where it begins. */
  lines: Line[]
  index: number
  media: (id: string) => string
  correct: Correct
  canJoin: boolean
}

/** A question as it was understood, how sure that is and why, and what can be corrected of it. */
export function UnderstoodCard({ intake, question, lines, index, media, correct, canJoin }: Props) {
  const [why, setWhy] = useState(false)
  const tree = useMemo(() => htmlTree(question.html), [question.html])
  const sureness = surenessOf(question.certainty)
  const percent = Math.round(question.certainty * 100)
  const at = `${lines[0]?.number ?? ''}`
  return (
    <article
      aria-label={question.title}
      className={`rounded-ui border border-hairline border-l-4 bg-paper p-3 ${edgeOf(index)} ${question.skipped ? 'opacity-60' : ''}`}
    >
      <header className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <Marker index={index} />
        <span className="font-semibold">{question.kinds.map((kind) => kindNames[kind] ?? kind).join(', ')}</span>
        <span className="text-caption text-second">{words.question.points({ n: question.points })}</span>
        {question.edited ? <span className="text-caption text-information">{words.question.edited}</span> : null}
        <span className="flex-1" />
        <span className={`rounded-full px-2 text-caption font-semibold ${tones[sureness]}`} title={words.certain.label({ percent })}>
          {words.certain[sureness]}
        </span>
        <Button look="quiet" className="!px-1" aria-expanded={why} onClick={() => setWhy(!why)}>
          {words.why}
        </Button>
        <Menu.Root
          align="end"
          button={
            <Button className="!px-2" aria-label={words.question.menu({ n: question.number })}>
              …
            </Button>
          }
        >
          {canJoin ? <Menu.Item onSelect={() => correct.set('lines', at, 'more')}>{words.question.join}</Menu.Item> : null}
          <Menu.Item onSelect={() => correct.drop(lines.map((one) => one.number))}>{words.question.drop}</Menu.Item>
          <Menu.Line />
          <Menu.Label>{words.question.types}</Menu.Label>
          {Object.entries(words.types).map(([type, title]) => (
            <Menu.Item key={type} onSelect={() => correct.set('types', at, type)}>
              {title}
            </Menu.Item>
          ))}
        </Menu.Root>
        <Link to={`/intakes/${intake}/questions/${question.id}`} className="text-accent font-semibold hover:underline">
          {words.question.open}
        </Link>
      </header>
      {why ? (
        <div className="mb-2 rounded-ui bg-well p-2 text-second">
          <p className="font-semibold text-ink">{words.whyTitle({ n: question.number })}</p>
          <ul className="list-disc pl-5">
            {question.signs.map((sign) => (
              <li key={sign}>{words.signs[sign] ?? sign}</li>
            ))}
          </ul>
          <p>{words.whyCertain({ percent })}</p>
        </div>
      ) : null}
      <div className="question-text beside [overflow-wrap:anywhere]">
        <RichTree nodes={tree} media={media} />
      </div>
    </article>
  )
}
