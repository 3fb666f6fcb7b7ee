import { useId } from 'react'
import type { ValueProblem } from '@/api/values'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { Gap } from '@/ui/Sentence'

type Props = {
  value: string
  label: string
  hint?: string
  /** As MathML, as it was understood. */
  typeset: string | null | undefined
  problem: ValueProblem | null | undefined
  onChange: (value: string) => void
  children?: React.ReactNode
}

/** A formula that is typed, and below it how it was understood, or what is wrong and where. */
export function FormulaField({ value, label, hint, typeset, problem, onChange, children }: Props) {
  const id = useId()
  const offset = problem?.offset
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-0.5">
      <Gap
        aria-label={label}
        aria-describedby={id}
        aria-invalid={problem ? true : undefined}
        wide
        spellCheck={false}
        autoCapitalize="off"
        className="font-mono text-caption"
        placeholder={hint}
        maxLength={1000}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
      <div id={id} className="flex min-h-6 flex-wrap items-baseline gap-x-3 text-caption">
        {typeset ? (
          <span className="question-text !text-ui overflow-x-auto">
            <RichTree nodes={htmlTree(typeset)} />
          </span>
        ) : null}
        {children}
        {problem ? (
          <p className="text-problem">
            {problem.message}
            {offset !== null && offset !== undefined && offset < value.length ? (
              <span className="ml-2 font-mono text-second" aria-hidden="true">
                {value.slice(Math.max(0, offset - 12), offset)}
                <mark className="rounded-ui bg-transparent text-problem underline decoration-2">{value.slice(offset, offset + 1)}</mark>
                {value.slice(offset + 1, offset + 12)}
              </span>
            ) : null}
          </p>
        ) : null}
      </div>
    </div>
  )
}
