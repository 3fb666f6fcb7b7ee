import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { fireEvent, render, screen, waitFor } from '@testing-library/react'
import { beforeEach, expect, it, vi } from 'vitest'
import { type Migration, type MigrationChange, migrationQuery } from '@/api/migration'
import { MigrationReview } from './MigrationReview'

const sent: MigrationChange[] = []
let answer: ((now: Migration) => void) | undefined

vi.mock('@/api/migration', async (original) => ({
  ...(await original<object>()),
  changeMigration: (_: string, change: MigrationChange) => {
    sent.push(change)
    return new Promise<Migration>((done) => {
      answer = done
    })
  },
}))

const leaf = (name: string) => ({ path: [name], name, depth: 0, questions: 7, kinds: {} })
const flat: Migration = {
  pattern: '',
  names: {},
  parts: ['quiz', 'kind'],
  tree: [leaf('Maps'), leaf('Planets')],
  lines: [],
  tally: [],
  quizzes: [],
}
const byQuiz = { ...flat, pattern: '{quiz}' }
const nameOf = (folder: string) => screen.getByLabelText<HTMLInputElement>(`Name of ${folder}`)

function show(held: Migration) {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } })
  client.setQueryData(migrationQuery('i').queryKey, held)
  client.setQueryData(migrationQuery('i', '{quiz}').queryKey, byQuiz)
  render(
    <QueryClientProvider client={client}>
      <MigrationReview intake="i" />
    </QueryClientProvider>,
  )
}

beforeEach(() => sent.splice(0))

it('keeps a name that is being typed when the pattern chosen before it has been stored', async () => {
  show(flat)
  fireEvent.change(screen.getByRole('combobox', { name: 'Folders' }), { target: { value: 'quiz' } })
  await screen.findByLabelText('Name of Maps')
  fireEvent.change(nameOf('Maps'), { target: { value: 'Map work' } })
  await waitFor(() => expect(answer).toBeDefined())
  answer?.(byQuiz)
  const review = screen.getByRole('region', { name: 'Folders and draws' })
  await waitFor(() => expect(review.getAttribute('aria-busy')).toBe('false'))
  expect(nameOf('Maps').value).toBe('Map work')
})

it('sends both of two names, though the first is not stored yet', async () => {
  show(byQuiz)
  for (const [folder, name] of [
    ['Maps', 'Map work'],
    ['Planets', 'The sky'],
  ] as const) {
    fireEvent.change(nameOf(folder), { target: { value: name } })
    fireEvent.blur(nameOf(folder))
  }
  await waitFor(() => expect(sent).toHaveLength(1))
  answer?.({ ...byQuiz, names: { Maps: 'Map work' } })
  await waitFor(() => expect(sent).toHaveLength(2))
  expect(sent[1]?.names).toEqual({ Maps: 'Map work', Planets: 'The sky' })
})
