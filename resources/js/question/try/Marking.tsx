import { useState } from 'react'
import type { ModelAnswer, QuestionJson, Result } from '@/api/question'
import { texts } from '@/messages'
import { toHtml } from '@/parts/html'
import { kindNames } from '@/parts/words'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import { CompareModels } from './CompareModels'
import { MarkPart } from './MarkPart'
import type { Trying } from './useTry'

const words = texts.marking

type Props = {
  attempt: Trying
  result: Result
  question: QuestionJson
  media: (id: string) => string
  onModel?: (part: string, model: Omit<ModelAnswer, 'id'>) => void
}

/** What people mark of an answer: by the rubric, with example answers to compare with. */
export function Marking({ attempt, result, question, media, onModel }: Props) {
  const [comparing, setComparing] = useState<string | null>(null)
  const marked = result.parts.filter((one) => one.marking)
  return (
    <section aria-label={words.title} className="flex flex-col gap-4 border-hairline border-t pt-3">
      {attempt.staleMarks > 0 ? <Message look="attention">{words.stale({ n: attempt.staleMarks })}</Message> : null}
      {marked.map(({ id, marking }) => {
        const part = question.parts.find((one) => one.id === id)
        if (!part) return null
        const response = attempt.response[id]
        const named = part.label || (kindNames[part.kind] ?? '')
        const isDone = result.parts.find((one) => one.id === id)?.state !== 'needs_marking'
        return (
          <section key={id} aria-label={words.titleOf({ what: named })} className="flex flex-col gap-2">
            <header className="flex flex-wrap items-baseline gap-x-3">
              <h3 className="flex-1 font-semibold">{marked.length > 1 ? words.titleOf({ what: named }) : words.title}</h3>
              <span role="status" className="text-caption text-second">
                {isDone ? words.allMarked : marking?.open.length ? words.stillOpen({ n: marking.open.length }) : ''}
              </span>
            </header>
            <MarkPart
              part={part}
              marks={attempt.marks[id] ?? {}}
              marking={marking}
              media={media}
              onChange={(given) => attempt.mark(id, given)}
            />
            <div className="flex flex-wrap gap-2">
              {part.key?.models?.length ? <Button onClick={() => setComparing(id)}>{words.compare} …</Button> : null}
              {onModel && isDone && typeof response?.text === 'string' ? (
                <Button
                  look="quiet"
                  onClick={() =>
                    onModel(id, {
                      title: '',
                      html: part.settings?.format === 'rich' ? (response.text as string) : paragraphs(response.text as string),
                      ...(attempt.marks[id]?.criteria ? { criteria: attempt.marks[id].criteria } : {}),
                    })
                  }
                >
                  {words.keepAsModel}
                </Button>
              ) : null}
            </div>
            {comparing === id ? <CompareModels part={part} response={response} media={media} onClose={() => setComparing(null)} /> : null}
          </section>
        )
      })}
      {attempt.marking.isError ? <Message look="problem">{attempt.marking.error.message}</Message> : null}
    </section>
  )
}

const paragraphs = (text: string) =>
  text
    .split(/\n+/)
    .map((line) => toHtml(line.trim()))
    .join('')
