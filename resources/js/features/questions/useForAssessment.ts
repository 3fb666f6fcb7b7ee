import { useQueryClient } from '@tanstack/react-query'
import { addToAssessment, assessmentQuery } from '@/api/assembly'
import type { Home } from '@/editor/home'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

/** A question written for an assessment, as the address says: once it is saved it stands in the section, and one is back there. */
export function useForAssessment(address: URLSearchParams): (home: Home) => Home {
  const client = useQueryClient()
  const tell = useToast()
  const id = address.get('assessment')
  const section = address.get('section') ?? undefined
  return (home) =>
    id === null
      ? home
      : {
          ...home,
          after: `/assessments/${id}`,
          save: async (question, base, of, note) => {
            const saved = await home.save(question, base, of, note)
            try {
              const now = await addToAssessment(id, [saved.id], section)
              client.setQueryData(assessmentQuery(id).queryKey, now)
            } catch (problem) {
              tell({ text: texts.assembly.pick.notAdded({ why: problem instanceof Error ? problem.message : '' }), look: 'problem' })
            }
            return saved
          },
        }
}
