import { useState } from 'react'
import type { Rule, TreeNode } from '@/api/question'
import { texts } from '@/messages'
import { RichTree } from '@/ui/RichTree'
import type { LearnerProps } from '../definePart'
import { pieceWords } from '../pieceWords'

const words = texts.kind.amend

type On = { text?: string[]; piece?: string }

/** A text whose words are pressed when they are wrong; what is right is typed beside the struck word. */
export function Learner({ part, response, onChange, disabled, keyOf, result, media }: LearnerProps) {
  const amends = (response?.amends as Record<string, string> | undefined) ?? {}
  const text = part.settings.text as TreeNode[]
  const [fresh, setFresh] = useState<string | null>(null)
  const [phrases, setPhrases] = useState<Record<string, Record<number, string>>>({})
  /** Replaces single words of a phrase; the other words of the phrase stay. */
  const setWord = (id: string, all: string[], at: number, typed: string | null) => {
    const { [at]: _, ...others } = phrases[id] ?? {}
    const mine = typed === null ? others : { ...others, [at]: typed }
    setPhrases({ ...phrases, [id]: mine })
    const { [id]: __, ...rest } = amends
    const whole = all.map((word, i) => mine[i] ?? word).filter((word) => word.trim() !== '')
    onChange({ amends: Object.keys(mine).length === 0 ? rest : { ...rest, [id]: whole.join(' ') } })
  }
  const key = ((keyOf?.key?.rules ?? []) as Rule<On>[]).filter((rule) => rule.credit === '1')
  const step = (id: string) => result?.trace.find((one) => String(one.step).startsWith('amend.') && one.piece === id)?.step
  return (
    <fieldset aria-label={part.label || words.mends} className="my-3 min-w-0 rounded-ui border border-hairline p-3 leading-9">
      <RichTree
        nodes={text}
        {...(media ? { media } : {})}
        piece={(id, shown) => {
          const word = pieceWords(text, id) ?? id
          const right = key.find((rule) => rule.on.piece === id)?.on.text?.[0]
          const typed = amends[id]
          const all = word.trim().split(/\s+/)
          // Show a phrase as single words: one wide button would reveal the fault.
          const inWords = all.length > 1 && (typed === undefined || phrases[id] !== undefined)
          const tone =
            { 'amend.mended': 'border-accent', 'amend.found': 'border-attention', 'amend.false': 'border-problem' }[step(id) ?? ''] ??
            'border-edge'
          return (
            <>
              {inWords ? (
                all.map((one, at) => {
                  const mine = typed === undefined ? undefined : phrases[id]?.[at]
                  return (
                    // biome-ignore lint/suspicious/noArrayIndexKey: the words of a phrase stay where they are
                    <span key={at}>
                      {at > 0 ? ' ' : ''}
                      <Word
                        word={one}
                        typed={mine}
                        tone={tone}
                        disabled={disabled === true}
                        focused={fresh === `${id} ${at}`}
                        onPress={() => {
                          setFresh(`${id} ${at}`)
                          setWord(id, all, at, '')
                        }}
                        onType={(value) => setWord(id, all, at, value)}
                        onLeave={() => setWord(id, all, at, null)}
                      />
                    </span>
                  )
                })
              ) : typed === undefined ? (
                <button
                  type="button"
                  disabled={disabled}
                  aria-label={words.mend({ word })}
                  className="rounded-ui text-left enabled:hover:bg-well"
                  onClick={() => {
                    setFresh(id)
                    onChange({ amends: { ...amends, [id]: '' } })
                  }}
                >
                  {shown}
                </button>
              ) : (
                <span className="whitespace-nowrap">
                  <s className="text-quiet">{shown}</s>
                  <input
                    aria-label={words.typed({ word })}
                    // biome-ignore lint/a11y/noAutofocus: it appears where a word was pressed to type there
                    autoFocus={fresh === id}
                    disabled={disabled}
                    autoComplete="off"
                    spellCheck={false}
                    className={`mx-1 border-0 border-b-2 bg-well px-1 font-serif text-question ${tone}`}
                    style={{ width: `${Math.max(6, typed.length, word.length) + 2}ch` }}
                    value={typed}
                    onChange={(event) => onChange({ amends: { ...amends, [id]: event.target.value } })}
                  />
                  {disabled ? null : (
                    <button
                      type="button"
                      aria-label={words.leave({ word })}
                      title={words.leave({ word })}
                      className="min-h-7 min-w-7 rounded-ui font-sans text-quiet hover:bg-well"
                      onClick={() => {
                        const { [id]: _, ...rest } = amends
                        onChange({ amends: rest })
                      }}
                    >
                      ×
                    </button>
                  )}
                </span>
              )}
              {right === undefined ? null : <span className="ml-1 rounded-ui bg-accent-tint px-1 text-accent">{right}</span>}
            </>
          )
        }}
      />
    </fieldset>
  )
}

/** A word of a phrase: press it to strike it out and type a replacement. */
function Word({
  word,
  typed,
  tone,
  disabled,
  focused,
  onPress,
  onType,
  onLeave,
}: {
  word: string
  typed: string | undefined
  tone: string
  disabled: boolean
  focused: boolean
  onPress: () => void
  onType: (value: string) => void
  onLeave: () => void
}) {
  if (typed === undefined)
    return (
      <button
        type="button"
        disabled={disabled}
        aria-label={words.mend({ word })}
        className="rounded-ui text-left enabled:hover:bg-well"
        onClick={onPress}
      >
        {word}
      </button>
    )
  return (
    <span className="whitespace-nowrap">
      <s className="text-quiet">{word}</s>
      <input
        aria-label={words.typed({ word })}
        // biome-ignore lint/a11y/noAutofocus: it appears where a word was pressed to type there
        autoFocus={focused}
        disabled={disabled}
        autoComplete="off"
        spellCheck={false}
        className={`mx-1 border-0 border-b-2 bg-well px-1 font-serif text-question ${tone}`}
        style={{ width: `${Math.max(6, typed.length, word.length) + 2}ch` }}
        value={typed}
        onChange={(event) => onType(event.target.value)}
      />
      {disabled ? null : (
        <button
          type="button"
          aria-label={words.leave({ word })}
          title={words.leave({ word })}
          className="min-h-7 min-w-7 rounded-ui font-sans text-quiet hover:bg-well"
          onClick={onLeave}
        >
          ×
        </button>
      )}
    </span>
  )
}
