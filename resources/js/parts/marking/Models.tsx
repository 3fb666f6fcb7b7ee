import { ChevronDown, ChevronRight, MessageSquarePlus } from 'lucide-react'
import { useRef, useState } from 'react'
import type { CriterionMarks, ModelAnswer, Rubric } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { remarksOf, withoutRemark } from '@/ui/rich/remarks'
import { SafeEditor } from '@/ui/SafeEditor'
import { useToast } from '@/ui/Toasts'
import { freshId } from '../fresh'
import { toWords } from '../html'
import { moved } from '../moved'
import { RemoveButton } from '../RemoveButton'
import { RowText } from '../RowText'
import { MarkChoices } from './MarkChoices'

const words = texts.rubric.models
const MOST = 50
const anchors = { part: (id: string) => id }

type Props = {
  models: ModelAnswer[]
  rubric: Rubric | null
  media: (id: string) => string
  problem: (path: string) => string | undefined
  onChange: (models: ModelAnswer[], place: string) => void
}

/** Example answers, each with what it earns and the examiner's remarks on its passages. */
export function Models({ models, rubric, media, problem, onChange }: Props) {
  const [open, setOpen] = useState<string[]>([])
  const add = () => {
    const id = freshId(models, 'm')
    setOpen([...open, id])
    onChange([...models, { id, title: '', html: '' }], '')
  }
  return (
    <section aria-label={words.title} className="flex flex-col">
      {models.map((model, i) => {
        const named = model.title || words.number({ n: i + 1 })
        const isOpen = open.includes(model.id)
        const wrong = problem(`/${i}/passages`) ?? problem(`/${i}`)
        const set = (changed: Partial<ModelAnswer>, place: string) =>
          onChange(
            models.map((one) => (one.id === model.id ? { ...one, ...changed } : one)),
            place === '' ? '' : `${model.id} ${place}`,
          )
        return (
          <section key={model.id} aria-label={named} className="border-hairline border-t">
            {/* biome-ignore lint/a11y/noStaticElementInteractions: it listens to the fields inside it */}
            <header
              className="flex items-center gap-1 px-1 py-1"
              onKeyDown={(event) => {
                const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
                if (!event.altKey || event.shiftKey || by === undefined) return
                event.preventDefault()
                onChange(moved(models, i, i + by), '')
              }}
            >
              <Button
                look="quiet"
                className="!px-1"
                aria-expanded={isOpen}
                aria-label={isOpen ? words.close({ what: named }) : words.open({ what: named })}
                onClick={() => setOpen(isOpen ? open.filter((id) => id !== model.id) : [...open, model.id])}
              >
                {isOpen ? <ChevronDown size={16} aria-hidden="true" /> : <ChevronRight size={16} aria-hidden="true" />}
              </Button>
              <input
                aria-label={words.titleOf({ what: words.number({ n: i + 1 }) })}
                placeholder={words.titleHint({ n: i + 1 })}
                maxLength={1000}
                className="min-h-7 w-56 min-w-0 bg-transparent px-1 font-semibold text-ink placeholder:font-normal placeholder:text-quiet"
                value={model.title ?? ''}
                onChange={(event) => set({ title: event.target.value }, 'title')}
              />
              <span className="min-w-0 flex-1 truncate font-serif text-second">{isOpen ? '' : toWords(model.html)}</span>
              <span className="text-caption text-quiet">
                {model.passages?.length ? words.remarksCount({ n: model.passages.length }) : ''}
              </span>
              <RemoveButton
                name={named}
                onClick={() =>
                  onChange(
                    models.filter((one) => one.id !== model.id),
                    '',
                  )
                }
              />
            </header>
            {wrong ? <p className="px-3 pb-1 text-caption text-attention">{wrong}</p> : null}
            {isOpen ? <Model model={model} rubric={rubric} media={media} problem={(path) => problem(`/${i}${path}`)} set={set} /> : null}
          </section>
        )
      })}
      <footer className="flex items-baseline gap-2 border-hairline border-t px-1 py-1">
        {models.length < MOST ? (
          <Button look="quiet" className="!px-1" onClick={add}>
            {words.add}
          </Button>
        ) : null}
        {models.length === 0 ? <span className="text-caption text-quiet">{words.hint}</span> : null}
      </footer>
    </section>
  )
}

type ModelProps = {
  model: ModelAnswer
  rubric: Rubric | null
  media: (id: string) => string
  problem: (path: string) => string | undefined
  set: (changed: Partial<ModelAnswer>, place: string) => void
}

function Model({ model, rubric, media, problem, set }: ModelProps) {
  const tell = useToast()
  const [active, setActive] = useState<string | null>(null)
  const area = useRef<HTMLDivElement>(null)
  const passages = model.passages ?? []
  /** Remarks in the order of the text; those whose passage is gone come last, and stay. */
  const ordered = (html: string, list: typeof passages) => {
    const order = remarksOf(html)
    const place = (id: string) => (order.includes(id) ? order.indexOf(id) : order.length)
    return [...list].sort((one, other) => place(one.id) - place(other.id))
  }
  const row = (label: string, name: 'remarks' | 'missing' | 'alternatives') => (
    <div className="flex flex-col gap-0.5">
      <span className="text-caption text-second">{label}</span>
      <RowText
        value={model[name] ?? ''}
        label={label}
        placeholder={words.empty}
        media={media}
        onChange={(html) => set({ [name]: html }, name)}
      />
    </div>
  )
  return (
    <div className="grid gap-4 px-3 pb-3 xl:grid-cols-[3fr_2fr]">
      <div ref={area} data-active-remark={active ?? undefined} className="min-w-0">
        <SafeEditor
          value={model.html}
          label={words.answer}
          words={anchors}
          view={{ media, table: '' }}
          placeholder={words.answerHint}
          bar="full"
          more={(editor) => (
            <Button
              look="quiet"
              className="!px-2"
              onClick={() => {
                const { from, to, empty } = editor.state.selection
                if (empty) return tell({ text: words.selectFirst, look: 'problem' })
                const id = freshId([...passages, ...remarksOf(editor.getHTML()).map((one) => ({ id: one }))], 'r')
                editor.chain().setTextSelection({ from, to }).setMark('remark', { id }).setTextSelection(to).run()
                const html = editor.getHTML()
                set({ html, passages: ordered(html, [...passages, { id, html: '' }]) }, '')
                setActive(id)
              }}
            >
              <MessageSquarePlus size={16} aria-hidden="true" /> {words.remark}
            </Button>
          )}
          onChange={(html) => set({ html, ...(passages.length > 0 ? { passages: ordered(html, passages) } : {}) }, 'answer')}
          className="min-h-24"
        />
      </div>
      <div className="small-text bars-inside flex min-w-0 flex-col gap-3">
        {passages.length > 0 ? (
          <ol aria-label={words.remarks} className="flex flex-col gap-1">
            {passages.map((remark, i) => {
              const wrong = problem(`/passages/${i}`)
              return (
                <li key={remark.id} className="flex items-start gap-1" onFocus={() => setActive(remark.id)} onBlur={() => setActive(null)}>
                  <span aria-hidden="true" className="mt-1 min-w-5 text-right text-caption text-information">
                    {i + 1}
                  </span>
                  <RowText
                    value={remark.html}
                    label={words.remarkNumber({ n: i + 1 })}
                    placeholder={words.remarkHint}
                    media={media}
                    autoFocus={active === remark.id && remark.html === ''}
                    wrong={wrong}
                    onChange={(html) =>
                      set({ passages: passages.map((one) => (one.id === remark.id ? { ...one, html } : one)) }, `remark ${remark.id}`)
                    }
                  />
                  <RemoveButton
                    name={words.remarkNumber({ n: i + 1 })}
                    onClick={() =>
                      set({ passages: passages.filter((one) => one.id !== remark.id), html: withoutRemark(model.html, remark.id) }, '')
                    }
                  />
                </li>
              )
            })}
          </ol>
        ) : (
          <p className="text-caption text-quiet">{words.remarkHow}</p>
        )}
        {rubric && rubric.criteria.length > 0 ? (
          <div>
            <span className="text-caption text-second">{words.earns}</span>
            <MarkChoices rubric={rubric} marks={model.criteria ?? {}} onChange={(criteria: CriterionMarks) => set({ criteria }, '')} />
          </div>
        ) : null}
        {row(words.overall, 'remarks')}
        {row(words.missing, 'missing')}
        {row(words.alternatives, 'alternatives')}
      </div>
    </div>
  )
}
