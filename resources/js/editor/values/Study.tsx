import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { type RollStudy, type StudiedValue, studyQuery } from '@/api/values'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import { Bars } from './Bars'

const words = texts.values.study
const FIRST = 8

type Props = {
  question: QuestionJson
  onTry: (seed: number) => void
  /** Adds a condition. */
  onForbid: (condition: string) => void
}

/** What learners would get: counted, with the worst rolls first, each of which can be tried or forbidden. */
export function Study({ question, onTry, onForbid }: Props) {
  const study = useQuery(studyQuery(question))
  return (
    <section aria-label={words.title} className="flex flex-col gap-2 border-hairline border-t pt-3">
      <h3 className="font-semibold">{words.title}</h3>
      {study.isError ? (
        <Message look="attention">
          {words.impossible} {study.error.message}
        </Message>
      ) : study.data ? (
        <Found study={study.data} stale={study.isPlaceholderData} onTry={onTry} onForbid={onForbid} />
      ) : (
        <p className="text-quiet">{words.working}</p>
      )}
    </section>
  )
}

function Found({ study, stale, onTry, onForbid }: { study: RollStudy; stale: boolean } & Omit<Props, 'question'>) {
  const [all, setAll] = useState(false)
  const counts = { rolls: study.rolls, different: study.different }
  const isFine = study.failing === 0 && study.collisions.length === 0 && study.ugly === 0
  const rolls = all ? study.worst : study.worst.slice(0, FIRST)
  return (
    <div className="flex flex-col gap-3" aria-busy={stale}>
      <p role="status">
        {study.exhaustive ? words.all(counts) : words.some(counts)} {isFine ? words.fine : ''}
      </p>
      {study.constant.length > 0 ? <p className="text-second">{words.constant({ names: list(study.constant) })}</p> : null}
      {study.different > 1 && study.keys.some((key) => key.distinct === 1) ? <p className="text-attention">{words.constantKey}</p> : null}
      {isFine ? null : (
        <ul className="flex flex-col gap-1">
          {study.reasons.map((one) => (
            <Line
              key={one.code}
              text={words.reason({ n: one.count, why: one.message })}
              tone="text-problem"
              seed={one.seed}
              onTry={onTry}
            />
          ))}
          {study.collisions.map((one) => (
            <Line
              key={one.what}
              text={words.times({ what: words.found[one.what] ?? one.what, n: one.count })}
              tone="text-attention"
              seed={one.seed}
              onTry={onTry}
            />
          ))}
          {study.ugly > 0 ? <Line text={words.ugly({ n: study.ugly })} tone="text-attention" onTry={onTry} /> : null}
        </ul>
      )}
      <ValueTable values={study.values} keys={study.keys} />
      <h4 className="font-semibold">{words.rolls}</h4>
      <ul className="flex flex-col">
        {rolls.map((roll) => (
          <li key={roll.seed} className="flex flex-wrap items-baseline gap-x-3 border-hairline border-b py-1">
            <span className="font-semibold tabular-nums">{words.roll({ seed: roll.seed })}</span>
            <span className="min-w-0 flex-1 basis-48 font-mono text-caption text-second [overflow-wrap:anywhere]">
              {Object.entries(roll.values)
                .map(([name, value]) => `${name} = ${value.written}`)
                .join(', ')}
            </span>
            <span className="flex gap-2">
              <Button
                look="quiet"
                className="!min-h-7 !px-1"
                aria-label={words.tryOf({ seed: roll.seed })}
                onClick={() => onTry(roll.seed)}
              >
                {words.try}
              </Button>
              <Button
                look="quiet"
                className="!min-h-7 !px-0"
                aria-label={words.forbidOf({ seed: roll.seed })}
                onClick={() => onForbid(roll.exclusion)}
              >
                {words.forbid}
              </Button>
            </span>
            {roll.problem ? <p className="flex-1 text-caption text-problem">{words.fails({ why: roll.problem })}</p> : null}
            {!roll.problem && roll.marks.length > 0 ? (
              <p className="flex-1 text-attention text-caption">{list(roll.marks.map((mark) => words.found[mark] ?? mark))}</p>
            ) : null}
          </li>
        ))}
      </ul>
      {!all && study.worst.length > FIRST ? (
        <Button look="quiet" className="self-start !px-0" onClick={() => setAll(true)}>
          {words.more}
        </Button>
      ) : null}
    </div>
  )
}

function Line({ text, tone, seed, onTry }: { text: string; tone: string; seed?: number; onTry: (seed: number) => void }) {
  return (
    <li className={`flex flex-wrap items-baseline gap-x-2 ${tone}`}>
      <span>{text}</span>
      {seed === undefined ? null : (
        <Button look="quiet" className="!min-h-7 !px-0" onClick={() => onTry(seed)}>
          {words.look({ seed })}
        </Button>
      )}
    </li>
  )
}

function ValueTable({ values, keys }: { values: StudiedValue[]; keys: StudiedValue[] }) {
  const row = (value: StudiedValue, name: string, mono: boolean) => (
    <tr key={name} className="border-hairline border-b align-bottom">
      <th scope="row" className={`py-1 pr-3 text-left font-normal ${mono ? 'font-mono text-information' : ''}`}>
        {name}
      </th>
      <td className="py-1 pr-3 tabular-nums">{value.low === null ? '' : `${short(value.low)} – ${short(value.high ?? '')}`}</td>
      <td className="py-1 pr-3 text-right tabular-nums">{value.distinct}</td>
      <td className="w-1/3 min-w-24 py-1">
        <Bars value={value} />
      </td>
    </tr>
  )
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-caption">
        <caption className="sr-only">{words.values}</caption>
        <thead>
          <tr className="border-edge border-b text-left text-second">
            <th className="py-1 pr-3 font-normal">{words.value}</th>
            <th className="py-1 pr-3 font-normal">{words.range}</th>
            <th className="py-1 pr-3 text-right font-normal">{words.distinct}</th>
            <th className="py-1 font-normal">{words.how}</th>
          </tr>
        </thead>
        <tbody>
          {values.map((value) => row(value, value.name, true))}
          {keys.map((key) => row(key, keys.length === 1 ? words.rightAnswer : words.answer({ name: key.name }), false))}
        </tbody>
      </table>
    </div>
  )
}

/** A long exact number, cut where nobody reads on. */
const short = (number: string): string => (number.length > 12 ? `${number.slice(0, 11)}…` : number).replace('-', '−')
