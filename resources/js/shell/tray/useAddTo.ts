import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { type Assessment, addToAssessment, assessmentQuery } from '@/api/assembly'
import { questionsOf } from '@/lib/assessment'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'
import { setAtHand } from './useAtHand'

/** Adds questions at the end of an assessment, which is then the one at hand. */
export function useAddTo() {
  const client = useQueryClient()
  const tell = useToast()
  const navigate = useNavigate()
  return useMutation({
    mutationFn: async ({
      id,
      questions,
      section,
    }: {
      id: string
      questions: string[]
      section?: string
    }): Promise<[number, Assessment]> => {
      const before = await client.fetchQuery({ ...assessmentQuery(id), staleTime: 0 })
      const now = await addToAssessment(id, questions, section)
      return [questionsOf(now.content).length - questionsOf(before.content).length, now]
    },
    onSuccess: ([added, now]) => {
      client.setQueryData(assessmentQuery(now.id).queryKey, now)
      client.invalidateQueries({ queryKey: ['assessments'] })
      client.invalidateQueries({ queryKey: ['question'] })
      setAtHand(now.id)
      tell({
        text: texts.tray.added({ n: added, title: now.title }),
        link: { title: texts.bank.open, go: () => navigate(`/assessments/${now.id}`) },
      })
    },
    onError: (problem) => tell({ text: problem.message, look: 'problem' }),
  })
}
