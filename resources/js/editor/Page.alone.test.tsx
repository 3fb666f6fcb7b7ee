import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { beforeEach, expect, it, vi } from 'vitest'
import type { Finding, QuestionJson } from '@/api/question'
import type { EditorProps } from '@/parts/definePart'
import { Page } from './Page'

const drawn = vi.hoisted(() => ({ parts: [] as string[] }))
vi.mock('@/parts', async (original) => {
  const parts = await original<typeof import('@/parts')>()
  const Editor = ({ part, problem }: EditorProps) => {
    drawn.parts.push(part.id)
    return <p>{problem('/points') ?? `part ${part.id}`}</p>
  }
  return { ...parts, partView: (kind: string) => ({ ...parts.partView(kind), Editor }) }
})
vi.mock('@/ui/SafeEditor', () => ({ SafeEditor: () => null }))

const first: QuestionJson = {
  format: 'wide-quarry/question',
  version: 1,
  id: '0196f0a0-0000-7000-8000-000000000001',
  title: '',
  language: 'en-GB',
  body: '<div data-part="p1"></div><div data-part="p2"></div>',
  parts: [
    { id: 'p1', kind: 'text', points: 1 },
    { id: 'p2', kind: 'text', points: 1 },
  ],
}
const change = vi.fn()

function page(question: QuestionJson, findings: Finding[] = []) {
  return (
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <Page question={question} findings={findings} bank="" change={change} onValues={() => undefined} />
      </MemoryRouter>
    </QueryClientProvider>
  )
}
let client = new QueryClient()
beforeEach(() => {
  client = new QueryClient()
  drawn.parts = []
})

it('draws a part again where it, its number or what is found in it changes, and not with each letter beside it', () => {
  const { rerender } = render(page(first))
  const after = (question: QuestionJson, findings: Finding[] = []) => {
    drawn.parts = []
    rerender(page(question, findings))
    return drawn.parts
  }
  const titled = { ...first, title: 'Slate' }
  expect(after(titled)).toEqual([])
  const text = { ...titled, body: `<p>Which rock?</p>${first.body}` }
  expect(after(text)).toEqual([])
  const dearer = { ...text, parts: text.parts.map((part) => (part.id === 'p2' ? { ...part, points: 2 } : part)) }
  expect(after(dearer)).toEqual(['p2'])
  const swapped = { ...dearer, body: '<div data-part="p2"></div><div data-part="p1"></div>' }
  expect(after(swapped)).toEqual(['p2', 'p1'])
  const finding = { code: 'x', severity: 'warning', path: '/parts/1/points', message: 'Two points for that?', details: {} } as Finding
  after(swapped, [finding])
  expect(screen.getByText('Two points for that?')).toBeTruthy()
})
