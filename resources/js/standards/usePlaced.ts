import { useQuery } from '@tanstack/react-query'
import { treesQuery } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { statementQuery } from '@/api/standards'
import { pathsOf } from '@/question/record/paths'
import { alignmentTo } from './alignmentTo'

/** How a new question is classified from the start, where it is written into an empty place of a coverage: as the address says. */
export function usePlaced(address: URLSearchParams) {
  const standard = address.get('standard') ?? ''
  const topic = address.get('topic') ?? ''
  const bank = address.get('topics') ?? ''
  const difficulty = Number(address.get('difficulty') ?? 0)
  const purpose = address.get('purpose') ?? ''
  const statement = useQuery({ ...statementQuery(standard), enabled: standard !== '' })
  const trees = useQuery({ ...treesQuery(bank), enabled: topic !== '' && bank !== '' })
  const path = pathsOf(trees.data?.topics ?? []).find(([id]) => id === topic)?.[1]
  const said = [standard, topic, difficulty || '', purpose].filter((one) => one !== '')
  return {
    isPending: (standard !== '' && statement.isPending) || (topic !== '' && bank !== '' && trees.isPending),
    /** So that what is begun for one place does not stand in another. */
    subject: said.length === 0 ? '' : `:for:${said.join(':')}`,
    classified: (question: QuestionJson): QuestionJson => ({
      ...question,
      record: {
        ...question.record,
        ...(statement.data ? { standards: [alignmentTo(statement.data)] } : {}),
        ...(path ? { topics: [path] } : {}),
        ...(difficulty >= 1 && difficulty <= 5 ? { difficulty } : {}),
        ...(purpose === '' ? {} : { purpose: [purpose] }),
      },
    }),
  }
}
