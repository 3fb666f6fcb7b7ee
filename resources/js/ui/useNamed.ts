import { useQuery } from '@tanstack/react-query'
import { useNavigate } from 'react-router'
import { assessmentsQuery } from '@/api/assembly'
import { banksQuery, findByName } from '@/api/queries'
import { useDebouncedValue } from '@/lib/useDebouncedValue'
import { texts } from '@/messages'
import type { CommandEntry } from './CommandList'

const MOST = 6

/** Finds banks, assessments and questions by name. */
export function useNamed(typed: string): CommandEntry[] {
  const navigate = useNavigate()
  const words = useDebouncedValue(typed.trim().toLowerCase(), 200)
  const asked = words.length >= 2
  const banks = useQuery({ ...banksQuery, enabled: asked }).data ?? []
  const assessments = useQuery({ ...assessmentsQuery, enabled: asked }).data ?? []
  const questions = useQuery({ queryKey: ['named', words], queryFn: () => findByName(words, MOST), enabled: asked }).data ?? []
  if (!asked) return []
  const named = (name: string) => words.split(/\s+/).every((word) => name.toLowerCase().includes(word))
  const entry = (group: string, id: string, title: string, path: string): CommandEntry => ({
    id: `${group} ${id}`,
    title,
    group,
    run: () => navigate(path),
  })
  return [
    ...banks
      .filter((bank) => named(bank.name))
      .slice(0, MOST)
      .map((bank) => entry(texts.frame.named.banks, bank.slug, bank.name, `/banks/${bank.slug}`)),
    ...assessments
      .filter((one) => named(one.title))
      .slice(0, MOST)
      .map((one) => entry(texts.frame.named.assessments, one.id, one.title, `/assessments/${one.id}`)),
    ...questions.map((one) => entry(texts.frame.named.questions, one.id, one.title, `/questions/${one.id}`)),
  ]
}
