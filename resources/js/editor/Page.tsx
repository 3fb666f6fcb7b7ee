import type { Editor } from '@tiptap/core'
import { Fragment, Suspense, useMemo, useState } from 'react'
import type { Finding, Part, QuestionJson } from '@/api/question'
import { FeedbackShow, partWith, useDefaults } from '@/lib/defaults'
import { texts } from '@/messages'
import { parts as kinds, partView } from '@/parts'
import { gapsOf } from '@/parts/gapsOf'
import { CardPlaceProvider } from '@/parts/PartCard'
import { kindNames, kindStarts } from '@/parts/words'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Waiting } from '@/ui/Message'
import { useMedia } from '@/ui/media'
import { BarExtra } from '@/ui/rich/barExtra'
import { ValueNames } from '@/ui/rich/equation/valueNames'
import { SafeEditor } from '@/ui/SafeEditor'
import { ChangeKind } from './ChangeKind'
import { anchorOf, freshPart } from './fresh'
import { GapMenu } from './GapMenu'
import { tablesOf } from './gaps'
import { MakeTable } from './MakeTable'
import { MediaDeskProvider } from './media/MediaDeskProvider'
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
  const problem = (path: string) => findings.find((finding) => finding.path === path || finding.path.startsWith(`${path}/`))?.message
  const exactly = (path: string) => findings.find((finding) => finding.path === path)?.message
  const [adding, setAdding] = useState(false)
  const [gapping, setGapping] = useState(false)
  const [tabling, setTabling] = useState(false)
  const [opened, setOpened] = useState<string[]>([])
  const variables = allNames(question.variables)
  const ordered = inOrder(question)
  const tables = tablesOf(question.body)
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
  const setPart = (part: Part, place: string) =>
    change(
      (now) => ({ ...now, parts: now.parts.map((one) => (one.id === part.id ? part : one)) }),
      place === '' ? '' : `part ${part.id} ${place}`,
    )
  const remove = (id: string) =>
    change((now) => ({ ...now, parts: now.parts.filter((part) => part.id !== id), body: now.body.replace(anchor(id), '') }))
  const add = (kind: string, editor: Editor) => {
    const fresh = freshPart(
      kind,
      question.parts.map((one) => one.id),
    )
    if (!fresh) return
    const part = partWith(fresh, defaults)
    change((now) => ({ ...now, parts: [...now.parts, part] }))
    if (partView(kind)?.inline)
      editor
        .chain()
        .focus()
        .insertContent({ type: 'partInline', attrs: { id: part.id } })
        .run()
    else
      editor
        .chain()
        .insertContentAt(editor.state.doc.content.size, { type: 'partBlock', attrs: { id: part.id } })
        .run()
  }
  const names = useMemo(() => allNames(question.variables), [question.variables])
  const smallValueMenu = (editor: Editor) => <ValueMenu small editor={editor} question={question} change={change} onValues={onValues} />
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
                  tables={() => <Menu.Item onSelect={() => setTabling(true)}>{texts.table.make}</Menu.Item>}
                  more={(editor) => (
                    <>
                      <span className="mx-1 h-4 w-px bg-hairline" />
                      <Menu.Root
                        open={adding}
                        onOpen={setAdding}
                        onClosed={() => editor.commands.focus()}
                        button={
                          <Button look="quiet" className="!px-2">
                            {texts.desk.addPart}
                          </Button>
                        }
                      >
                        {kinds.map((kind) => (
                          <Menu.Item key={kind.kind} onSelect={() => add(kind.kind, editor)}>
                            {kindStarts[kind.kind]}
                          </Menu.Item>
                        ))}
                      </Menu.Root>
                      {tabling ? <MakeTable editor={editor} question={question} change={change} onClose={() => setTabling(false)} /> : null}
                      <GapMenu editor={editor} question={question} defaults={defaults} change={change} open={gapping} onOpen={setGapping} />
                      <span className="text-caption text-quiet max-2xl:hidden">{texts.desk.addPartHint}</span>
                      <ValueMenu editor={editor} question={question} change={change} onValues={onValues} />
                    </>
                  )}
                  onSlash={() => setAdding(true)}
                  onKey={(event) => {
                    if (!event.altKey || !event.shiftKey || event.key.toLowerCase() !== 'g') return false
                    setGapping(true)
                    return true
                  }}
                  onChange={(body, isStep) => change((now) => ({ ...now, body }), isStep ? '' : 'body')}
                  className="min-h-16"
                />
              </div>
              {problem('/body') ? <p className="text-caption text-problem">{problem('/body')}</p> : null}
              {ordered.map((part, at) => {
                const View = partView(part.kind)?.Editor
                const i = question.parts.indexOf(part)
                const table = tables.find((ids) => ids.includes(part.id))
                const shown = !table || opened.includes(table[0] ?? '')
                const first = table?.[0] === part.id
                const card =
                  View && shown ? (
                    <CardPlaceProvider
                      value={{
                        number: ordered.length > 1 ? at + 1 : null,
                        missing: !anchor(part.id).test(question.body),
                        putBack: () => change((now) => ({ ...now, body: now.body + anchorOf(part) })),
                        remove: () => remove(part.id),
                        variables,
                        values: question.variables,
                        gaps: gapsOf(question.body, part.id),
                        bank,
                        change: (
                          <ChangeKind
                            question={question}
                            part={part.id}
                            name={words.part(part.id)}
                            bank={bank}
                            onChange={(next) => change(() => next)}
                          />
                        ),
                      }}
                    >
                      <Suspense fallback={<Waiting text={texts.loading} />}>
                        <div data-place={`part ${part.id}`} className="contents">
                          <View part={part} onChange={setPart} media={media} problem={(path) => problem(`/parts/${i}${path}`)} />
                        </div>
                      </Suspense>
                    </CardPlaceProvider>
                  ) : null
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
                    {card}
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
