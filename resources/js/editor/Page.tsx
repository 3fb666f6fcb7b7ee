import type { Editor } from '@tiptap/core'
import { Fragment, useCallback, useMemo, useState } from 'react'
import type { Finding, Part, QuestionJson } from '@/api/question'
import { FeedbackShow, useDefaults } from '@/lib/defaults'
import { useSame } from '@/lib/useSame'
import { useSteady } from '@/lib/useSteady'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { gapsOf } from '@/parts/gapsOf'
import { kindNames } from '@/parts/words'
import { Menu } from '@/ui/Menu'
import { useMedia } from '@/ui/media'
import { BarExtra } from '@/ui/rich/barExtra'
import { ValueNames } from '@/ui/rich/equation/valueNames'
import { SafeEditor } from '@/ui/SafeEditor'
import { type BodyMenu, BodyTools } from './BodyTools'
import { anchorOf } from './fresh'
import { tablesOf } from './gaps'
import { MediaDeskProvider } from './media/MediaDeskProvider'
import { PartItem } from './PartItem'
import { problemAt } from './problemAt'
import { QuestionSettings } from './QuestionSettings'
import { StimuliAbove } from './StimuliAbove'
import { TablePoints } from './TablePoints'
import { ValueMenu } from './values/ValueMenu'
import { allNames } from './values/variables'

type Props = {
  question: QuestionJson
  findings: Finding[]
  bank: string
  /** Why it was not saved, at a place of the question. */
  refused?: (path: string) => string | undefined
  /** For a question that is just begun: writing begins in its text, with what was typed before it was there. */
  begin?: () => string
  change: (edit: (now: QuestionJson) => QuestionJson, place?: string) => void
  /** Opens the pane of the values. */
  onValues: () => void
}

/** The question as one page: title, text, each part with its key in the order of the text, what holds for the whole. */
export function Page({ question, findings, bank, refused, begin, change, onValues }: Props) {
  const media = useMedia(bank)
  const defaults = useDefaults(bank)
  const found = useSame(findings)
  const problem = (path: string) => problemAt(found, path)
  const exactly = (path: string) => found.find((finding) => finding.path === path)?.message
  const [menu, setMenu] = useState<BodyMenu>(null)
  const [opened, setOpened] = useState<string[]>([])
  const names = useMemo(() => allNames(question.variables), [question.variables])
  const ordered = inOrder(question)
  const tables = tablesOf(question.body)
  const gaps = useSame(Object.fromEntries(question.parts.map(({ id }) => [id, gapsOf(question.body, id)])))
  const words = {
    part: (id: string) => {
      const at = ordered.findIndex((part) => part.id === id)
      const part = ordered[at]
      const answer = part ? (partView(part.kind)?.answer?.(part) ?? '') : ''
      const name = answer === '' ? texts.desk.part({ kind: kindNames[part?.kind ?? ''] ?? id }) : answer
      return ordered.length > 1 ? `${at + 1}. ${name}` : name
    },
    gap: (gap: string, of: string) => {
      const part = question.parts.find((one) => one.id === of)
      const number = gapsOf(question.body, of).indexOf(gap) + 1
      const tile = part ? (partView(part.kind)?.answer?.(part, gap) ?? '') : ''
      return `${number} ${tile === '' ? texts.desk.emptyGap : tile}`
    },
  }
  const acts = useSteady({
    now: () => question,
    change,
    set: (part: Part, place: string) =>
      change(
        (now) => ({ ...now, parts: now.parts.map((one) => (one.id === part.id ? part : one)) }),
        place === '' ? '' : `part ${part.id} ${place}`,
      ),
    remove: (id: string) =>
      change((now) => ({ ...now, parts: now.parts.filter((part) => part.id !== id), body: now.body.replace(anchor(id), '') })),
    putBack: (id: string) =>
      change((now) => {
        const part = now.parts.find((one) => one.id === id)
        return part ? { ...now, body: now.body + anchorOf(part) } : now
      }),
    onValues,
  })
  const smallValueMenu = useCallback(
    (editor: Editor) => <ValueMenu small editor={editor} now={acts.now} names={names} change={acts.change} onValues={acts.onValues} />,
    [acts, names],
  )
  return (
    <ValueNames value={names}>
      <MediaDeskProvider bank={bank}>
        <BarExtra value={names.length > 0 ? smallValueMenu : null}>
          <FeedbackShow value={defaults.show ?? 'both'}>
            <div data-page="" className="flex flex-col gap-4 rounded-ui border border-hairline bg-paper p-6 max-md:p-3">
              <div data-place="title">
                <input
                  aria-label={texts.desk.title}
                  placeholder={texts.desk.titleHint}
                  maxLength={500}
                  dir="auto"
                  className="w-full border-transparent border-b bg-transparent py-1 text-title font-semibold placeholder:font-normal placeholder:text-quiet hover:border-hairline focus:border-accent"
                  value={question.title}
                  onChange={(event) => change((now) => ({ ...now, title: event.target.value }), 'title')}
                />
                {exactly('/title') ? <p className="text-caption text-problem">{exactly('/title')}</p> : null}
              </div>
              <StimuliAbove
                question={question}
                bank={bank}
                problem={(path) => refused?.(path) ?? problem(path)}
                change={(edit) => change(edit)}
              />
              <div data-place="body" className="contents">
                <SafeEditor
                  keptNote={texts.desk.keptText}
                  value={question.body}
                  label={texts.desk.stem}
                  words={words}
                  view={{ media, table: texts.desk.table }}
                  placeholder={texts.desk.stemHint}
                  {...(begin ? { autoFocus: true, begin } : {})}
                  bar="full"
                  tables={() => <Menu.Item onSelect={() => setMenu('table')}>{texts.table.make}</Menu.Item>}
                  more={(editor) => (
                    <BodyTools
                      editor={editor}
                      defaults={defaults}
                      names={names}
                      open={menu}
                      onOpen={setMenu}
                      now={acts.now}
                      change={acts.change}
                      onValues={acts.onValues}
                    />
                  )}
                  onSlash={() => setMenu('part')}
                  onKey={(event) => {
                    if (!event.altKey || !event.shiftKey || event.key.toLowerCase() !== 'g') return false
                    setMenu('gap')
                    return true
                  }}
                  onChange={(body, isStep) => change((now) => ({ ...now, body }), isStep ? '' : 'body')}
                  className="min-h-16"
                />
              </div>
              {problem('/body') ? <p className="text-caption text-problem">{problem('/body')}</p> : null}
              {ordered.map((part, at) => {
                const table = tables.find((ids) => ids.includes(part.id))
                const shown = !table || opened.includes(table[0] ?? '')
                const first = table?.[0] === part.id
                return (
                  <Fragment key={part.id}>
                    {table && first ? (
                      <TablePoints
                        parts={ordered.filter((one) => table.includes(one.id))}
                        open={shown}
                        onOpen={() => setOpened(shown ? opened.filter((id) => id !== part.id) : [...opened, part.id])}
                        onPoints={(points) =>
                          change(
                            (now) => ({ ...now, parts: now.parts.map((one) => (table.includes(one.id) ? { ...one, points } : one)) }),
                            `points ${part.id}`,
                          )
                        }
                      />
                    ) : null}
                    {shown ? (
                      <PartItem
                        part={part}
                        index={question.parts.indexOf(part)}
                        number={ordered.length > 1 ? at + 1 : null}
                        name={words.part(part.id)}
                        isOnly={ordered.length === 1}
                        missing={!anchor(part.id).test(question.body)}
                        gaps={gaps[part.id] ?? []}
                        values={question.variables}
                        variables={names}
                        bank={bank}
                        media={media}
                        findings={found}
                        acts={acts}
                      />
                    ) : null}
                  </Fragment>
                )
              })}
              <QuestionSettings question={question} parts={ordered} called={words.part} change={change} problem={problem} />
            </div>
          </FeedbackShow>
        </BarExtra>
      </MediaDeskProvider>
    </ValueNames>
  )
}

/** The anchor of a part in the text, with the paragraph that holds nothing else. */
function anchor(id: string): RegExp {
  const name = id
    .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
    .replace(/&/g, '&amp;')
    .replace(/"/g, '&quot;')
  return new RegExp(`<p><span data-part="${name}"></span></p>|<(div|span) data-part="${name}"></\\1>`)
}

function inOrder(question: QuestionJson): Part[] {
  const at = (part: Part) => {
    const found = question.body.search(anchor(part.id))
    return found < 0 ? Number.MAX_SAFE_INTEGER : found
  }
  return [...question.parts].sort((a, b) => at(a) - at(b))
}
