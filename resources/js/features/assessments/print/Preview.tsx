import { useEffect, useMemo, useRef, useState } from 'react'
import type { Assessment, PrintSettings } from '@/api/assembly'
import type { Print, PrintedPaper } from '@/api/paper'
import { texts } from '@/messages'
import { Message } from '@/ui/Message'
import { SpaceHandles } from './SpaceHandles'

const words = texts.paper.print
const printing = texts.assembly.printing

const SCROLLED = '-outline-offset-2 min-w-0 flex-1 overflow-y-auto bg-well p-6 max-md:p-3'

type Props = {
  assessment: Assessment
  settings: PrintSettings
  print: Print
  /** Whether other pages are on their way. */
  isStale: boolean
  onChange: (settings: PrintSettings) => void
}

/** The pages as they are printed: small ones to go by, large ones to read, and where each question stands. */
export function Preview({ assessment, settings, print, isStale, onChange }: Props) {
  const pages = useRef<HTMLOListElement>(null)
  const of = (id: string) => `/api/v1/assessments/${assessment.id}/prints/${id}/pages`
  // the page that is read comes first: the small ones follow once it is there, and stay those of before until then
  const [read, setRead] = useState<Print | null>(null)
  const ratio = settings.paper === 'letter' ? '8.5 / 11' : '210 / 297'
  const go = (page: number) => {
    const target = pages.current?.querySelector<HTMLElement>(`[data-page="${page}"]`)
    target?.scrollIntoView({ block: 'start' })
    target?.focus({ preventScroll: true })
  }
  const questions = useMemo(() => placesOf(print.outline), [print.outline])
  // a handle whose question went to another page is drawn anew there, and keeps the focus
  const held = useRef<string | null>(null)
  useEffect(() => {
    if (held.current === null || questions.length === 0 || document.activeElement !== document.body) return
    pages.current?.querySelector<HTMLElement>(`[data-handle="${CSS.escape(held.current)}"]`)?.focus({ preventScroll: true })
  }, [questions])
  const warnings = warningsOf(questions)
  return (
    <div className="flex min-h-0 flex-1 max-md:flex-col" aria-busy={isStale}>
      <nav
        aria-label={words.thumbnails}
        className="flex w-30 flex-none flex-col gap-2 overflow-y-auto border-hairline border-r p-2 max-lg:hidden"
      >
        {Array.from({ length: print.pages }, (_, i) => i + 1).map((page) => (
          <button
            key={page}
            type="button"
            aria-label={words.goTo({ n: page, what: paperAt(print.outline, page) })}
            className="flex flex-col items-center rounded-ui p-1 hover:bg-well"
            onClick={() => go(page)}
          >
            {read !== null && page <= read.pages ? (
              <img
                src={`${of(read.id)}/${page}?size=small`}
                alt=""
                loading="lazy"
                className="w-20 border border-hairline bg-white"
                style={{ aspectRatio: ratio }}
              />
            ) : (
              <span className="block w-20 border border-hairline bg-white" style={{ aspectRatio: ratio }} />
            )}
            <span className="text-caption text-second">{page}</span>
          </button>
        ))}
      </nav>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: its pages are scrolled by keys */}
      <section aria-label={texts.assembly.sheet} tabIndex={0} className={SCROLLED}>
        <div className="mx-auto flex w-186 max-w-full flex-col gap-3 pb-3">
          <p role="status" className="sr-only">
            {isStale ? printing.making : ''}
          </p>
          {warnings.map((one) => (
            <Message key={one} look="attention">
              {one}
            </Message>
          ))}
          {questions.length > 1 ? (
            <details>
              <summary className="cursor-pointer text-second">{words.questionsOf}</summary>
              <ul className="flex flex-wrap gap-x-3 gap-y-1 pt-1">
                {questions.map((one) => (
                  <li key={`${one.paper} ${one.entry}`}>
                    <button type="button" className="underline" onClick={() => go(one.page)}>
                      {words.where({ label: `${one.label} (${one.paper})`, page: one.page })}
                    </button>
                  </li>
                ))}
              </ul>
            </details>
          ) : null}
        </div>
        <ol ref={pages} className={`flex flex-col items-center gap-6 ${isStale ? 'opacity-60' : ''}`}>
          {Array.from({ length: print.pages }, (_, i) => i + 1).map((page) => (
            <li key={page} data-page={page} tabIndex={-1} className="relative w-186 max-w-full">
              <img
                src={`${of(print.id)}/${page}`}
                onLoad={() => setRead(print)}
                onError={() => setRead(print)}
                alt={printing.page({ n: page, of: print.pages })}
                loading="lazy"
                fetchPriority="high"
                className="w-full border border-hairline bg-white"
                style={{ aspectRatio: ratio }}
              />
              {assessment.may_write ? (
                <SpaceHandles
                  assessment={assessment}
                  settings={settings}
                  places={questions.filter((one) => one.which === 'learner' && one.page === page)}
                  onChange={onChange}
                  onHold={(entry) => {
                    held.current = entry
                  }}
                />
              ) : null}
            </li>
          ))}
        </ol>
      </section>
    </div>
  )
}

/** What an author would want to change: questions over pages, single lines, pictures that did not fit. */
const warningsOf = (questions: PrintedPlace[]): string[] => [
  ...questions.flatMap(({ label, paper, page, to, single }) =>
    single ? [words.single({ n: label, paper, page: single })] : to > page ? [words.split({ n: label, paper, from: page, to })] : [],
  ),
  ...questions.filter((one) => one.shrunk).map(({ label, paper }) => words.shrunk({ n: label, paper })),
]

export type PrintedPlace = {
  entry: string
  which: string
  paper: string
  label: string
  page: number
  from: number
  to: number
  /** A page on which a single line of it stands. */
  single: number | null
  shrunk: boolean
  /** Ruled lines to write on. */
  lines: number
}

/** Where the numbered questions of all papers stand. */
export function placesOf(outline: PrintedPaper[]): PrintedPlace[] {
  return outline.flatMap((paper) =>
    paper.entries.filter((one) => one.label !== '').map((entry) => ({ ...entry, which: paper.which, paper: paperName(paper) })),
  )
}

function paperName({ which, form }: PrintedPaper): string {
  const paper = printing.which[which] ?? which
  return form === null ? paper : words.ofForm({ paper, letter: form })
}

const paperAt = (outline: PrintedPaper[], page: number): string => {
  const paper = outline.findLast((one) => one.page <= page)
  return paper ? paperName(paper) : ''
}
