import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { beforeEach, expect, test, vi } from 'vitest'
import type { EntryOverride } from '@/api/assembly'
import { fetchRubric } from '@/api/rubrics'
import { texts } from '@/messages'
import { Toasts } from '@/ui/Toasts'
import { OverrideFields } from './OverrideFields'

const words = texts.assembly.settings
vi.mock('@/api/rubrics', async (real) => ({
  ...(await real<object>()),
  fetchRubric: vi.fn(),
  rubricsQuery: () => ({
    queryKey: ['rubrics'],
    queryFn: () => [
      { id: 'r1', title: 'Explaining' },
      { id: 'r2', title: 'Describing' },
    ],
  }),
}))

type Answer = (rubric: never) => void
let answers: Record<string, { give: Answer; refuse: (problem: Error) => void }>
let now: EntryOverride

beforeEach(() => {
  answers = {}
  now = {}
  vi.mocked(fetchRubric).mockImplementation(
    (id) =>
      new Promise((give, refuse) => {
        answers[id] = { give: give as Answer, refuse }
      }),
  )
})

const rubric = (title: string) => ({ rubric: { scheme: 'holistic', title }, revision: 3 }) as never

function Fields() {
  const [value, setValue] = useState<EntryOverride>({})
  now = value
  return <OverrideFields value={value} onChange={setValue} disabled={false} bank="rocks" />
}

async function fields() {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Toasts words={{ label: 'Notices', undo: 'Undo', close: 'Close' }}>
        <Fields />
      </Toasts>
    </QueryClientProvider>,
  )
  return { user: userEvent.setup(), rubrics: await screen.findByRole('combobox', { name: words.rubric }) }
}

test('what is set while a rubric is fetched stays', async () => {
  const { user, rubrics } = await fields()
  await user.selectOptions(rubrics, 'r1')
  await user.selectOptions(screen.getByRole('combobox', { name: words.feedback }), 'never')
  await act(async () => answers.r1?.give(rubric('Explaining')))
  expect(now).toEqual({ feedback: 'never', rubric: { scheme: 'holistic', title: 'Explaining', link: { rubric: 'r1', revision: 3 } } })
})

test('of two rubrics chosen quickly the last one is taken, whichever comes first', async () => {
  const { user, rubrics } = await fields()
  await user.selectOptions(rubrics, 'r1')
  await user.selectOptions(rubrics, 'r2')
  await act(async () => answers.r2?.give(rubric('Describing')))
  await act(async () => answers.r1?.give(rubric('Explaining')))
  expect(now.rubric).toMatchObject({ title: 'Describing' })
})

test('a rubric that is taken back while it is fetched does not come after all', async () => {
  const { user, rubrics } = await fields()
  await user.selectOptions(rubrics, 'r1')
  await user.selectOptions(rubrics, '')
  await act(async () => answers.r1?.give(rubric('Explaining')))
  expect(now).toEqual({})
})

test('a rubric that cannot be had is said, and changes nothing', async () => {
  const { user, rubrics } = await fields()
  await user.selectOptions(rubrics, 'r1')
  await act(async () => answers.r1?.refuse(new Error('This rubric is in the bin.')))
  expect(await screen.findByText('This rubric is in the bin.')).toBeTruthy()
  expect(now).toEqual({})
})
