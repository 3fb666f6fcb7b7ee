import { useMutation } from '@tanstack/react-query'
import type { Editor } from '@tiptap/core'
import { Variable } from 'lucide-react'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { letVary } from '@/api/values'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { ToolButton } from '@/ui/rich/ToolButton'
import { useToast } from '@/ui/Toasts'

const words = texts.values

type Props = {
  editor: Editor
  now: () => QuestionJson
  names: string[]
  change: (edit: (now: QuestionJson) => QuestionJson) => void
  /** Opens the pane of the values. */
  onValues: () => void
  /** In a small bar: a sign among signs. */
  small?: boolean
}

/** Lets the number at the cursor vary, here or everywhere; or puts a value that is there into the text. */
export function ValueMenu({ editor, now, names, change, onValues, small }: Props) {
  const tell = useToast()
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState<Place | null>(null)
  const vary = useMutation({
    mutationFn: ({ place }: { place: Place; everywhere: boolean }) => letVary(now(), place.number),
    onSuccess: ({ question: varied, name, places }, { place, everywhere }) => {
      const added = varied.variables?.list.at(-1)
      if (everywhere) change(({ record }) => ({ ...varied, ...(record ? { record } : {}) }))
      else if (added) {
        change((question) => ({ ...question, variables: { ...question.variables, list: [...(question.variables?.list ?? []), added] } }))
        editor.chain().focus().insertContentAt({ from: place.from, to: place.to }, { type: 'value', attrs: { name } }).run()
      }
      tell({ text: words.varied({ number: place.number, name, n: everywhere ? places : 1 }) })
      onValues()
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
  return (
    <Menu.Root
      open={open}
      onOpen={(next) => {
        if (next) setAt(numberAt(editor))
        setOpen(next)
      }}
      onClosed={() => editor.commands.focus()}
      button={
        small ? (
          <ToolButton name={texts.desk.addValue} icon={Variable} />
        ) : (
          <Button look="quiet" className="!px-2">
            {texts.desk.addValue}
          </Button>
        )
      }
    >
      {at ? (
        <>
          <Menu.Label>{words.varyOf({ number: at.number })}</Menu.Label>
          <Menu.Item onSelect={() => vary.mutate({ place: at, everywhere: false })}>{words.varyHere}</Menu.Item>
          <Menu.Item onSelect={() => vary.mutate({ place: at, everywhere: true })}>{words.varyAll}</Menu.Item>
          <Menu.Line />
        </>
      ) : (
        <>
          <Menu.Item disabled>{words.selectNumber}</Menu.Item>
          <Menu.Line />
        </>
      )}
      {names.map((name) => (
        <Menu.Item key={name} onSelect={() => editor.chain().focus().insertContent({ type: 'value', attrs: { name } }).run()}>
          {words.insert({ name })}
        </Menu.Item>
      ))}
      <Menu.Item onSelect={onValues}>{words.open}</Menu.Item>
    </Menu.Root>
  )
}

type Place = { from: number; to: number; number: string }

/** The number that is selected, or at the cursor. */
function numberAt(editor: Editor): Place | null {
  const { doc, selection } = editor.state
  if (!selection.empty) {
    const text = doc.textBetween(selection.from, selection.to, '\n', '\ufffc')
    const number = text.trim()
    const from = selection.from + text.indexOf(number)
    return /^[-−]?\d+([.,]\d+)?$/.test(number) ? { from, to: from + number.length, number } : null
  }
  const { $from } = selection
  const line = $from.parent.textBetween(0, $from.parent.content.size, undefined, '\ufffc')
  const start = selection.from - $from.parentOffset
  for (const found of line.matchAll(/(?<![\p{L}\d.,])[-−]?\d+(?:[.,]\d+)?(?![\d\p{L}])/gu)) {
    const end = found.index + found[0].length
    if ($from.parentOffset >= found.index && $from.parentOffset <= end)
      return { from: start + found.index, to: start + end, number: found[0] }
  }
  return null
}
