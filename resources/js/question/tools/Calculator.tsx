import { type KeyboardEvent, useRef, useState } from 'react'
import { lookUp, texts } from '@/messages'
import { Button } from '@/ui/Button'
import { control } from '@/ui/Field'
import { calculate, type Worked } from './calculate'

const words = texts.tools.calc
const digits = ['7', '8', '9', '÷', '4', '5', '6', '×', '1', '2', '3', '−', '0', '.', '%', '+']
const brackets = ['(', ')', '√(']
const functions = [...brackets, 'x²', '^', '!', 'π', 'e', 'ln(', 'log(', 'sin(', 'cos(', 'tan(', 'asin(', 'acos(', 'atan(']
const HISTORY = 20

/** A calculation that is typed or put together from keys; its result is shown and spoken, and earlier ones can be taken over. */
export function Calculator({ kind }: { kind: 'basic' | 'scientific' }) {
  const [typed, setTyped] = useState('')
  const [mode, setMode] = useState<'degrees' | 'radians'>('degrees')
  const [kept, setKept] = useState('')
  const [worked, setWorked] = useState<Worked | null>(null)
  const [history, setHistory] = useState<{ typed: string; value: string }[]>([])
  const line = useRef<HTMLInputElement>(null)
  const put = (text: string) => {
    const field = line.current
    const [from, to] = [field?.selectionStart ?? typed.length, field?.selectionEnd ?? typed.length]
    setTyped(typed.slice(0, from) + text + typed.slice(to))
    setWorked(null)
    requestAnimationFrame(() => {
      field?.focus()
      field?.setSelectionRange(from + text.length, from + text.length)
    })
  }
  const go = () => {
    const result = calculate(typed, mode, kept)
    setWorked(result)
    if ('value' in result) setHistory([{ typed, value: result.value }, ...history].slice(0, HISTORY))
  }
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      event.preventDefault()
      go()
    }
    if (event.key === 'Escape' && typed !== '') {
      event.stopPropagation()
      setTyped('')
      setWorked(null)
    }
  }
  const value = worked && 'value' in worked ? worked.value : ''
  return (
    <section
      aria-label={texts.tools.calculator}
      className="flex max-w-104 flex-col gap-2 rounded-ui border border-edge bg-paper p-3 font-sans text-ui"
    >
      <input
        ref={line}
        aria-label={words.type}
        placeholder={words.hint}
        autoComplete="off"
        spellCheck={false}
        maxLength={200}
        className={`${control} w-full font-mono`}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value)
          setWorked(null)
        }}
        onKeyDown={keys}
      />
      <output className="min-h-6 text-right font-semibold tabular-nums" aria-live="polite">
        {worked === null ? '' : said(worked)}
      </output>
      <div className="flex flex-wrap gap-3">
        {[digits, kind === 'basic' ? brackets : functions].map((keys) => (
          <div key={keys[0]} className={`grid min-w-40 flex-1 gap-1.5 ${keys === brackets ? 'grid-cols-3 content-start' : 'grid-cols-4'}`}>
            {keys.map((key) => (
              <Button key={key} className="!px-1 font-mono" onClick={() => put(key === 'x²' ? '²' : key)}>
                {key.replace('(', key.length > 1 ? '' : '(')}
              </Button>
            ))}
          </div>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Button look="primary" onClick={go}>
          {words.equals}
        </Button>
        <Button onClick={() => setTyped(typed.slice(0, -1))}>{words.back}</Button>
        <Button
          onClick={() => {
            setTyped('')
            setWorked(null)
            line.current?.focus()
          }}
        >
          {words.clear}
        </Button>
        <Button aria-disabled={value === ''} onClick={() => (value === '' ? undefined : setKept(value.replace('−', '-')))}>
          {words.keep}
        </Button>
        <Button aria-disabled={kept === ''} onClick={() => (kept === '' ? undefined : put(`(${kept})`))}>
          {words.recall}
        </Button>
        {kind === 'scientific' ? (
          <label className="flex items-center gap-1.5 text-caption">
            {words.mode}
            <select className={control} value={mode} onChange={(event) => setMode(event.target.value as 'degrees')}>
              {Object.entries(words.modes).map(([key, title]) => (
                <option key={key} value={key}>
                  {title}
                </option>
              ))}
            </select>
          </label>
        ) : null}
      </div>
      {kept === '' ? null : <p className="text-caption text-second">{words.kept({ value: kept })}</p>}
      {history.length > 0 ? (
        <details className="text-caption">
          <summary className="cursor-pointer text-accent">{words.history}</summary>
          <ul className="max-h-32 overflow-y-auto">
            {history.map((one, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the same calculation may stand there twice
              <li key={i} className="flex gap-2">
                <Button
                  look="quiet"
                  className="!min-h-6 !px-0 font-mono"
                  aria-label={words.again({ what: one.typed })}
                  onClick={() => put(one.typed)}
                >
                  {one.typed}
                </Button>
                <span className="tabular-nums">= {one.value}</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  )
}

function said(worked: Worked): string {
  if ('problem' in worked) return lookUp(words.problem, worked.problem, { name: worked.name ?? '' }) ?? ''
  return worked.fraction ? words.exactly({ fraction: worked.fraction, value: worked.value }) : words.result({ value: worked.value })
}
