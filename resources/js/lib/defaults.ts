import { useQuery } from '@tanstack/react-query'
import { createContext, useContext } from 'react'
import { bankQuery } from '@/api/queries'
import type { Part, QuestionJson } from '@/api/question'

/** What new questions of a bank begin with; core Question\Defaults says what each may be. */
export type Defaults = {
  language?: string
  points?: number
  shuffle?: boolean
  show?: 'during' | 'after' | 'both'
  attempts?: { allowed?: number | null; cost?: string }
  normalise?: Record<string, string>
  tools?: QuestionJson['tools']
  time_limit?: number | null
}

const none: Defaults = {}

export function useDefaults(slug: string): Defaults {
  const bank = useQuery({ ...bankQuery(slug), enabled: slug !== '' })
  return (bank.data?.defaults ?? none) as Defaults
}

/** A new part as the bank begins them; one that earns nothing, such as an opinion, goes on earning nothing. */
export function partWith(part: Part, defaults: Defaults): Part {
  return {
    ...part,
    points: part.points === 0 ? 0 : (defaults.points ?? part.points),
    settings: {
      ...part.settings,
      ...(defaults.shuffle !== undefined && part.settings && 'shuffle' in part.settings ? { shuffle: defaults.shuffle } : {}),
    },
  }
}

export function questionWith(question: QuestionJson, defaults: Defaults): QuestionJson {
  return {
    ...question,
    language: defaults.language ?? question.language,
    parts: question.parts.map((part) => partWith(part, defaults)),
    ...(defaults.attempts ? { attempts: defaults.attempts } : {}),
    ...(defaults.normalise ? { normalise: defaults.normalise } : {}),
    ...(defaults.tools ? { tools: defaults.tools } : {}),
    ...(defaults.time_limit ? { time_limit: defaults.time_limit } : {}),
  }
}

/** When new feedback shows. */
const Show = createContext<'during' | 'after' | 'both'>('both')
export const FeedbackShow = Show.Provider
export const useFeedbackShow = () => useContext(Show)
