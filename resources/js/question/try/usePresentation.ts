import { useQuery } from '@tanstack/react-query'
import { useContext } from 'react'
import { presentationQuery } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { MediaFrom } from '@/ui/media'

/** A question as a learner sees it, with what is found in it; media are looked for in its bank, unless they come from elsewhere. */
export function usePresentation(question: QuestionJson, seed: number, bank: string) {
  const elsewhere = useContext(MediaFrom) !== null
  return useQuery(presentationQuery(question, seed, elsewhere ? '' : bank))
}
