import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { QuestionJson } from '@/api/question'
import { type Variable, type Variables, valuesQuery } from '@/api/values'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Menu } from '@/ui/Menu'
import { Message } from '@/ui/Message'
import { useToast } from '@/ui/Toasts'
import { Conditions } from './Conditions'
import { Functions } from './Functions'
import { Study } from './Study'
import { ValueRow } from './ValueRow'
import { allNames, asKind, freeName, type Kind } from './variables'

const words = texts.values

type Props = {
  question: QuestionJson
  /** The question as it was a moment ago: what is studied. */
  tried: QuestionJson
  change: (edit: (now: QuestionJson) => QuestionJson, place?: string) => void
  onTry: (seed: number) => void
}

/** The values of a question that vary: defined as sentences, forbidden by conditions, studied before they are used. */
export function ValuesPane({ question, tried, change, onTry }: Props) {
  const tell = useToast()
  const [adding, setAdding] = useState(false)
  const variables: Variables = question.variables ?? { list: [] }
  const read = useQuery({ ...valuesQuery(useDebouncedValue(variables, 200), question.language), enabled: variables.list.length > 0 })
  const set = (edit: (now: Variables) => Variables, place = '') =>
    change((now) => {
      const next = edit(now.variables ?? { list: [] })
      return { ...now, variables: next.list.length === 0 && !next.conditions?.length ? null : next }
    }, place)
  const setOne = (at: number, variable: Variable, place: string) =>
    set(
      (now) => ({ ...now, list: now.list.map((one, i) => (i === at ? variable : one)) }),
      place === '' ? '' : `value ${variable.name} ${place}`,
    )
  const free = (taken: string[] = []) => freeName({ list: [...variables.list, ...taken.map((name) => ({ name, kind: 'expr' as const }))] })
  const add = (kind: Kind) => {
    const name = free()
    set((now) => ({
      ...now,
      list: [...now.list, asKind({ name, kind: 'expr' }, kind, () => [free([name]), free([name, free([name])])])],
    }))
  }
  const conditions = variables.conditions ?? []
  const setConditions = (next: string[], place = '') => set((now) => ({ ...now, conditions: next }), place)
  return (
    <section aria-label={words.title} className="flex flex-col gap-4 p-5">
      {variables.list.length === 0 ? <p className="text-second">{words.none}</p> : null}
      {read.isError ? <Message look="problem">{read.error.message}</Message> : null}
      {variables.list.length > 0 ? (
        <ul aria-label={words.list}>
          {variables.list.map((variable, i) => (
            <ValueRow
              // biome-ignore lint/suspicious/noArrayIndexKey: its name changes while it stays the same value
              key={i}
              variable={variable}
              read={read.data?.values[i]?.name === variable.name ? read.data.values[i] : undefined}
              question={question}
              freeName={free}
              onChange={(next, place) => setOne(i, next, place)}
              onRenamed={(renamed) => change((now) => ({ ...renamed, ...(now.record ? { record: now.record } : {}) }))}
              onRemove={() => set((now) => ({ ...now, list: now.list.filter((_, at) => at !== i) }))}
            />
          ))}
        </ul>
      ) : null}
      <Menu.Root open={adding} onOpen={setAdding} button={<Button className="self-start">{words.add}</Button>}>
        {(Object.entries(words.kinds) as [Kind, string][]).map(([kind, title]) => (
          <Menu.Item key={kind} onSelect={() => add(kind)}>
            {title}
          </Menu.Item>
        ))}
      </Menu.Root>
      {variables.list.length > 0 ? (
        <>
          <Conditions conditions={conditions} names={allNames(variables)} read={read.data?.conditions} onChange={setConditions} />
          <Study
            question={tried}
            onTry={onTry}
            onForbid={(condition) => {
              setConditions([...conditions, condition])
              tell({ text: words.study.forbidden })
            }}
          />
        </>
      ) : null}
      <Functions />
    </section>
  )
}
