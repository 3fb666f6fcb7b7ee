import { BookOpen, Calculator as CalculatorIcon, PencilLine, Ruler as RulerIcon, Triangle } from 'lucide-react'
import { type ReactNode, useEffect, useState } from 'react'
import type { Presentation } from '@/api/question'
import { lazily } from '@/lib/lazily'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'

const words = texts.tools
const Calculator = lazily(() => import('./Calculator'), 'Calculator')
const Measure = lazily(() => import('./Measure'), 'Measure')

/** A stimulus that is shown when the learner asks for it. */
export type RequestedSheet = { id: string; title: string; content: ReactNode }

type Props = { shown: Presentation; sheets: RequestedSheet[]; round: string }

/** What a learner may use for the question: a calculator, sheets, room for working, and how much time is left. */
export function ToolsBar({ shown, sheets, round }: Props) {
  const [open, setOpen] = useState<string | null>(null)
  const {
    calculator = 'none',
    ruler,
    protractor,
    scratch,
  } = shown.tools as { calculator?: string; ruler?: boolean; protractor?: boolean; scratch?: boolean }
  const toggle = (tool: string) => setOpen(open === tool ? null : tool)
  const measures = [...(ruler ? (['ruler'] as const) : []), ...(protractor ? (['protractor'] as const) : [])]
  const [laid, setLaid] = useState<string[]>([])
  if (calculator === 'none' && !scratch && measures.length === 0 && sheets.length === 0 && !shown.time_limit) return null
  return (
    <div className="flex flex-col gap-2 font-sans">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-caption text-second">
        {calculator === 'none' ? null : (
          <Button look="quiet" className="!min-h-7 !px-0" aria-expanded={open === 'calculator'} onClick={() => toggle('calculator')}>
            <CalculatorIcon size={15} aria-hidden="true" /> {words.open}
          </Button>
        )}
        {sheets.map(({ id, title }) => (
          <Button key={id} look="quiet" className="!min-h-7 !px-0" aria-expanded={open === id} onClick={() => toggle(id)}>
            <BookOpen size={15} aria-hidden="true" /> {title || words.sheet}
          </Button>
        ))}
        {scratch ? (
          <Button look="quiet" className="!min-h-7 !px-0" aria-expanded={open === 'working'} onClick={() => toggle('working')}>
            <PencilLine size={15} aria-hidden="true" /> {words.working}
          </Button>
        ) : null}
        {measures.map((one) => (
          <Button
            key={one}
            look="quiet"
            className="!min-h-7 !px-2"
            aria-pressed={laid.includes(one)}
            onClick={() => setLaid(laid.includes(one) ? laid.filter((other) => other !== one) : [...laid, one])}
          >
            {one === 'ruler' ? <RulerIcon size={15} aria-hidden="true" /> : <Triangle size={15} aria-hidden="true" />} {words.measure[one]}
          </Button>
        ))}
        {!shown.time_limit ? null : <Clock key={round} seconds={shown.time_limit} />}
      </div>
      {measures
        .filter((one) => laid.includes(one))
        .map((one) => (
          <Measure key={one} kind={one} />
        ))}
      {open === 'calculator' ? <Calculator kind={calculator === 'basic' ? 'basic' : 'scientific'} /> : null}
      {sheets.find(({ id }) => id === open)?.content}
      {scratch ? (
        <textarea
          hidden={open !== 'working'}
          aria-label={words.working}
          placeholder={words.workingAbout}
          rows={4}
          className={`${control} w-full`}
        />
      ) : null}
    </div>
  )
}

/** The time that is left, running; said aloud when a minute is left and when it is over. */
function Clock({ seconds }: { seconds: number }) {
  const [end] = useState(() => Date.now() + seconds * 1000)
  const [left, setLeft] = useState(seconds)
  useEffect(() => {
    const timer = setInterval(() => setLeft(Math.max(0, Math.round((end - Date.now()) / 1000))), 500)
    return () => clearInterval(timer)
  }, [end])
  return (
    <span className="ml-auto flex gap-2">
      <span role="timer" aria-label={words.clock} className={left === 0 ? 'font-semibold text-attention' : 'tabular-nums'}>
        {left === 0 ? words.limitWas({ time: time(seconds) }) : words.left({ time: time(left) })}
      </span>
      <span role="status">{left === 0 ? words.over : left <= 60 && seconds > 60 ? words.oneMinute : ''}</span>
    </span>
  )
}

const time = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
