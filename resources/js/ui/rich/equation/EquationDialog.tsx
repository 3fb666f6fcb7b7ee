import type { Editor } from '@tiptap/core'
import { NodeSelection } from '@tiptap/pm/state'
import type { MathfieldElement } from 'mathlive'
import { useContext, useMemo, useRef, useState } from 'react'
import { texts } from '@/messages'
import { Button } from '../../Button'
import { Field } from '../../Field'
import { FormDialog } from '../../FormDialog'
import { htmlTree } from '../../htmlTree'
import { RichTree } from '../../RichTree'
import { insertHere } from '../insertHere'
import { STEP } from '../step'
import { fromMathMl } from './fromMathMl'
import { type KeyGroup, keypad } from './keypad'
import { MathField } from './MathField'
import { LONGEST, toMathMl, UnreadableTex } from './toMathMl'
import { ValueNames } from './valueNames'

const words = texts.rich.equation
const groups = Object.keys(keypad) as KeyGroup[]

/** An equation, typed as it is written, by the keypad, or as TeX; the browser's own drawing of it below. */
export function EquationDialog({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const [before] = useState(() => {
    const { selection } = editor.state
    return selection instanceof NodeSelection && selection.node.type.name === 'equation'
      ? { at: selection.from, source: String(selection.node.attrs.source) }
      : null
  })
  const [tex, setTex] = useState(() => (before ? fromMathMl(before.source) : ''))
  const [isBlock, setBlock] = useState(before?.source.includes('display="block"') ?? false)
  const [group, setGroup] = useState<KeyGroup>('basics')
  const names = useContext(ValueNames)
  const field = useRef<MathfieldElement>(null)
  const made = useMemo(() => read(tex, isBlock), [tex, isBlock])
  const insert = (text: string) => {
    field.current?.executeCommand(['insert', text, { focus: true, selectionMode: 'placeholder' }])
  }
  const submit = (now = tex) => {
    const { source } = read(now, isBlock)
    if (source === null) return
    onClose()
    if (!before) insertHere(editor, { type: 'equation', attrs: { source } })
    else if (editor.state.doc.nodeAt(before.at)?.type.name === 'equation') {
      editor.view.dispatch(editor.state.tr.setMeta(STEP, true).setNodeMarkup(before.at, undefined, { source }))
      editor.view.focus()
    }
  }
  return (
    <FormDialog
      wide
      title={words.title}
      go={before ? words.change : words.insert}
      onClose={onClose}
      onSubmit={() => submit()}
      disabled={made.source === null}
    >
      <MathField label={words.field} value={tex} onChange={setTex} onSubmit={submit} field={field} />
      <div className="flex flex-wrap items-center gap-1">
        {groups.map((one) => (
          <Button key={one} aria-pressed={one === group} onClick={() => setGroup(one)}>
            {words.groups[one]}
          </Button>
        ))}
      </div>
      <fieldset className="flex flex-wrap gap-1" aria-label={words.groups[group]}>
        {keypad[group].map((key) => (
          <button
            key={key.name}
            type="button"
            title={words.keys[key.name as keyof typeof words.keys]}
            className="question-text flex min-h-10 min-w-11 items-center justify-center rounded-ui border border-hairline bg-paper px-2 hover:border-accent"
            onClick={() => insert(key.tex)}
          >
            <span className="sr-only">{words.keys[key.name as keyof typeof words.keys]}</span>
            <span aria-hidden="true">
              <RichTree nodes={face(key.face ?? key.tex)} />
            </span>
          </button>
        ))}
      </fieldset>
      {names.length > 0 ? (
        <div className="flex flex-wrap items-center gap-1">
          <span className="text-caption text-second">{words.values}</span>
          {names.map((name) => (
            <Button key={name} onClick={() => insert(`\\val{${name}}`)}>
              {name}
            </Button>
          ))}
        </div>
      ) : null}
      <Field.Root problem={tex.trim() === '' ? null : made.problem}>
        <Field.Label>{words.tex}</Field.Label>
        <Field.Area
          rows={2}
          maxLength={LONGEST}
          spellCheck={false}
          className="font-mono"
          value={tex}
          onChange={(event) => setTex(event.target.value)}
        />
      </Field.Root>
      <div className="question-text min-h-14 rounded-ui bg-well px-3 py-2" aria-live="polite">
        {made.source === null ? (
          <span className="font-sans text-caption text-quiet">{words.preview}</span>
        ) : (
          <RichTree nodes={htmlTree(made.source)} />
        )}
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={isBlock} onChange={(event) => setBlock(event.target.checked)} />
        {words.block}
      </label>
    </FormDialog>
  )
}

function read(tex: string, isBlock: boolean): { source: string | null; problem: string | null } {
  if (tex.trim() === '') return { source: null, problem: null }
  if (tex.includes('\\placeholder')) return { source: null, problem: words.unfilled }
  try {
    return { source: toMathMl(tex, isBlock), problem: null }
  } catch (problem) {
    return { source: null, problem: problem instanceof UnreadableTex ? words.wrong({ why: problem.reason }) : words.wrong({ why: '' }) }
  }
}

const faces = new Map<string, ReturnType<typeof htmlTree>>()
function face(tex: string) {
  const drawn = faces.get(tex) ?? htmlTree(toMathMl(tex, false))
  faces.set(tex, drawn)
  return drawn
}
