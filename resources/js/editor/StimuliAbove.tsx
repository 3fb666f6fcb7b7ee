import { useQueries } from '@tanstack/react-query'
import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { useState } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import type { QuestionJson } from '@/api/question'
import { stimulusQuery } from '@/api/stimuli'
import { texts } from '@/messages'
import { StimulusText } from '@/question/StimulusText'
import { Button } from '@/ui/Button'
import { AddStimulus } from './AddStimulus'

type Props = {
  question: QuestionJson
  bank: string
  /** What kept it from being saved, by path. */
  problem: (path: string) => string | undefined
  change: (edit: (now: QuestionJson) => QuestionJson) => void
}

/** The stimuli a question shows above itself: in order, folded or open, taken out, found and added. */
export function StimuliAbove({ question, bank, problem, change }: Props) {
  const ids = question.stimuli ?? []
  const all = useQueries({ queries: ids.map((id) => stimulusQuery(id)) })
  const [open, setOpen] = useState<string[]>([])
  const [adding, setAdding] = useState(false)
  const navigate = useNavigate()
  const here = useLocation()
  const sheets = question.tools?.sheets ?? []
  const put = (next: string[]) => change((now) => withStimuli(now, next, now.tools?.sheets ?? []))
  const request = (id: string, wished: boolean) =>
    change((now) => {
      const others = (now.tools?.sheets ?? []).filter((one) => one !== id)
      return withStimuli(now, now.stimuli ?? [], wished ? [...others, id] : others)
    })
  const move = (at: number, by: -1 | 1) => {
    const next = [...ids]
    const [one] = next.splice(at, 1)
    if (one === undefined || at + by < 0 || at + by > next.length) return
    next.splice(at + by, 0, one)
    put(next)
  }
  return (
    <section aria-label={texts.stimuli.above} className="flex flex-col gap-2">
      {ids.map((id, i) => {
        const whole = all[i]?.data
        const title = whole?.name ?? (all[i]?.isError ? texts.stimuli.gone : '…')
        const shown = open.includes(id)
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: Alt and arrows move what has the focus inside
          <div
            key={id}
            className="rounded-ui border border-hairline"
            onKeyDown={(event) => {
              if (!event.altKey || event.shiftKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
              event.preventDefault()
              move(i, event.key === 'ArrowUp' ? -1 : 1)
            }}
          >
            <div className="flex items-center gap-2 px-2">
              <button
                type="button"
                aria-expanded={shown}
                disabled={!whole}
                className="flex min-h-9 min-w-0 flex-1 items-center gap-2 rounded-ui px-1 text-left"
                onClick={() => setOpen(shown ? open.filter((one) => one !== id) : [...open, id])}
              >
                <span aria-hidden="true" className="text-quiet">
                  {shown ? '▾' : '▸'}
                </span>
                <span className="text-caption text-quiet">{texts.stimuli.one}</span>
                <span className={`min-w-0 truncate font-semibold ${all[i]?.isError ? 'text-problem' : ''}`}>{title}</span>
                <span className="flex-none text-caption text-second max-lg:hidden">
                  {whole ? texts.stimuli.shownBy({ n: whole.uses.questions }) : ''}
                </span>
              </button>
              <label className="flex flex-none items-center gap-1.5 text-caption" title={texts.stimuli.onRequestAbout}>
                <input
                  type="checkbox"
                  className="accent-accent"
                  checked={sheets.includes(id)}
                  onChange={(event) => request(id, event.target.checked)}
                />
                {texts.stimuli.onRequest}
              </label>
              {ids.length > 1 ? (
                <>
                  <Button
                    look="quiet"
                    className="!px-1"
                    aria-label={texts.stimuli.up({ title })}
                    aria-disabled={i === 0}
                    onClick={() => move(i, -1)}
                  >
                    <ArrowUp size={16} aria-hidden="true" />
                  </Button>
                  <Button
                    look="quiet"
                    className="!px-1"
                    aria-label={texts.stimuli.down({ title })}
                    aria-disabled={i === ids.length - 1}
                    onClick={() => move(i, 1)}
                  >
                    <ArrowDown size={16} aria-hidden="true" />
                  </Button>
                </>
              ) : null}
              {whole?.may_write ? (
                <Link
                  to={`/stimuli/${id}`}
                  state={{ back: here.pathname + here.search }}
                  className="rounded-ui px-2 py-1 text-accent hover:bg-well"
                >
                  {texts.stimuli.open}
                </Link>
              ) : null}
              <Button
                look="quiet"
                className="!px-1"
                aria-label={texts.stimuli.takeOut({ title })}
                title={texts.stimuli.takeOutShort}
                onClick={() => put(ids.filter((one) => one !== id))}
              >
                <X size={16} aria-hidden="true" />
              </Button>
            </div>
            {problem(`/stimuli/${i}`) ? <p className="px-3 pb-2 text-caption text-problem">{problem(`/stimuli/${i}`)}</p> : null}
            {shown && whole ? (
              <StimulusText nodes={whole.shown} title="" language={whole.stimulus.language} media={`/api/v1/stimuli/${id}/media`} />
            ) : null}
          </div>
        )
      })}
      <Button look="quiet" className="self-start !px-1" onClick={() => setAdding(true)}>
        {texts.stimuli.add}
      </Button>
      {adding ? (
        <AddStimulus
          bank={bank}
          taken={ids}
          onClose={() => setAdding(false)}
          onAdd={(id) => {
            put([...ids, id])
            setAdding(false)
          }}
          onWrite={() => navigate(`/banks/${bank}/stimuli/new`, { state: { back: here.pathname + here.search } })}
        />
      ) : null}
    </section>
  )
}

/** The question with these stimuli, of which some are shown on request; empty fields are left out. */
function withStimuli(question: QuestionJson, stimuli: string[], sheets: string[]): QuestionJson {
  const { stimuli: _, tools: { sheets: __, ...others } = {}, ...rest } = question
  const shown = sheets.filter((id) => stimuli.includes(id))
  const tools = shown.length > 0 ? { ...others, sheets: shown } : others
  return {
    ...rest,
    ...(stimuli.length > 0 ? { stimuli } : {}),
    ...(Object.keys(tools).length > 0 ? { tools } : {}),
  }
}
