import { useState } from 'react'
import type { Presentation, QuestionJson, Responses, Result } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { PickUp } from '@/parts/PickUp'
import { Button } from '@/ui/Button'
import type { useMedia } from '@/ui/media'
import { RichTree } from '@/ui/RichTree'

type Props = {
  shown: Presentation
  question: QuestionJson
  response: Responses
  /** @param given  undefined where it is taken back */
  onAnswer: (part: string, given: Record<string, unknown> | undefined) => void
  disabled: boolean
  /** Whether what is right is marked in it. */
  withKey?: boolean
  result: Result | null
  media: ReturnType<typeof useMedia>
}

/** The text of a question with its parts in their places, answered there. */
export function QuestionBody({ shown, question, response, onAnswer, disabled, withKey = false, result, media }: Props) {
  const [inWords, setInWords] = useState<string[]>([])
  const props = (id: string) => {
    const part = shown.parts.find((one) => one.id === id)
    return part
      ? {
          part,
          response: response[id],
          onChange: (given: Record<string, unknown>) => onAnswer(id, given),
          disabled,
          keyOf: withKey ? question.parts.find((one) => one.id === id) : undefined,
          result: result?.parts.find((one) => one.id === id),
          media,
        }
      : null
  }
  const view = (id: string) => partView(shown.parts.find((one) => one.id === id)?.kind ?? '')
  const draw = (id: string) => {
    const [given, View] = [props(id), view(id)?.Learner]
    if (!given || !View) return null
    const other = shown.parts.find((one) => one.instead === id)
    const { instead } = given.part
    const isInWords = instead !== undefined && inWords.includes(instead)
    // what is asked instead is shown when it is wanted, and beside the key
    if (other && !withKey && !inWords.includes(id)) return '' // null would show the sign of a part that cannot be shown
    if (other && withKey)
      return (
        <>
          <p className="font-sans text-caption text-second">{texts.try.insteadOf}</p>
          <View {...given} />
        </>
      )
    if (instead === undefined || withKey) return <View {...given} />
    return (
      <>
        {isInWords ? null : <View {...given} />}
        <Button
          look="quiet"
          className="!px-0 font-sans"
          disabled={disabled}
          onClick={() => {
            onAnswer(isInWords ? instead : id, undefined)
            setInWords(isInWords ? inWords.filter((one) => one !== instead) : [...inWords, instead])
          }}
        >
          {isInWords ? texts.try.onPicture : texts.try.inWords}
        </Button>
      </>
    )
  }
  const drawGap = (gap: string, of: string) => {
    const [given, View] = [props(of), view(of)?.Gap]
    return given && View ? <View {...given} gap={gap} /> : null
  }
  return (
    <div className="question-text" lang={shown.language} dir="auto">
      <PickUp>
        <RichTree nodes={shown.body} part={draw} gap={drawGap} media={media} />
      </PickUp>
    </div>
  )
}
