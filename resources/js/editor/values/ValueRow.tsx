import { SlidersHorizontal, Trash2 } from 'lucide-react'
import { useId, useState } from 'react'
import type { QuestionJson } from '@/api/question'
import type { ValuesRead, Variable } from '@/api/values'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Pick, Sentence } from '@/ui/Sentence'
import { ItemFields, RangeFields } from './DrawnFields'
import { FormulaField } from './FormulaField'
import { NameField } from './NameField'
import { ShownAs } from './ShownAs'
import { TableFields } from './TableFields'
import { asKind, type Kind } from './variables'

const words = texts.values

type Props = {
  variable: Variable
  read: ValuesRead['values'][number] | undefined
  question: QuestionJson
  freeName: (taken?: string[]) => string
  onChange: (variable: Variable, place: string) => void
  /** The question with the value renamed everywhere. */
  onRenamed: (question: QuestionJson) => void
  onRemove: () => void
}

/** A value as a sentence: its name, what it is, an example. */
export function ValueRow({ variable, read, question, freeName, onChange, onRenamed, onRemove }: Props) {
  const [open, setOpen] = useState(false)
  const id = useId()
  const { name, kind } = variable
  const examples = Object.entries(read?.examples ?? {})
  const example =
    examples.length === 0
      ? ''
      : words.example({
          value: kind === 'row' ? examples.map(([column, value]) => `${column} = ${value}`).join(', ') : (examples[0]?.[1] ?? ''),
        })
  return (
    <li className="flex flex-col gap-1 border-hairline border-b py-2" aria-label={words.named({ name })}>
      <div className="flex items-start gap-1">
        <Sentence>
          <NameField name={name} label={`${words.named({ name })}: ${words.name}`} question={question} onRenamed={onRenamed} />
          <span>{words.is}</span>
          <Pick
            aria-label={`${words.named({ name })}: ${words.is}`}
            value={kind}
            options={Object.entries(words.kinds)}
            onChange={(next) =>
              onChange(
                asKind(variable, next as Kind, () => [freeName([name]), freeName([name, freeName([name])])]),
                '',
              )
            }
          />
          {kind === 'integer' || kind === 'decimal' ? <RangeFields variable={variable} onChange={onChange} /> : null}
          {kind === 'list' || kind === 'sample' ? <ItemFields variable={variable} onChange={onChange} /> : null}
          {kind === 'row' ? (
            <TableFields
              variable={variable}
              question={question}
              freeName={(taken) => freeName([name, ...taken])}
              onChange={onChange}
              onRenamed={onRenamed}
            />
          ) : null}
          {kind === 'expr' ? (
            <FormulaField
              label={`${words.named({ name })}: ${words.formula}`}
              hint={words.formulaHint}
              value={variable.expr ?? ''}
              typeset={read?.typeset}
              problem={read?.problem}
              onChange={(expr) => onChange({ ...variable, expr }, 'expr')}
            >
              <span className="text-second">{example}</span>
            </FormulaField>
          ) : null}
        </Sentence>
        <Button
          look="quiet"
          className="!min-h-7 !px-1"
          aria-expanded={open}
          aria-controls={id}
          aria-label={words.shownOf({ name })}
          title={words.shown}
          onClick={() => setOpen(!open)}
        >
          <SlidersHorizontal size={15} aria-hidden="true" />
        </Button>
        <Button
          look="quiet"
          className="!min-h-7 !px-1"
          aria-label={words.remove({ name })}
          title={words.remove({ name })}
          onClick={onRemove}
        >
          <Trash2 size={15} aria-hidden="true" />
        </Button>
      </div>
      {kind === 'expr' ? null : (
        <div className="text-caption">
          {read?.problem ? <p className="text-problem">{read.problem.message}</p> : <p className="text-second">{example}</p>}
        </div>
      )}
      {kind === 'sample' ? <p className="text-caption text-quiet">{words.sampleHelp({ name })}</p> : null}
      <div id={id}>{open ? <ShownAs variable={variable} onChange={onChange} /> : null}</div>
    </li>
  )
}
