import { readFileSync } from 'node:fs'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { type ReactNode, Suspense } from 'react'
import { MemoryRouter } from 'react-router'
import { describe, expect, test, vi } from 'vitest'
import type { Part, Rule } from '@/api/question'
import { isPositive, isZero } from '@/lib/credit'
import { Toasts } from '@/ui/Toasts'
import { parts } from './index'

/*
 * Cases that the core reads, too (core/tests/Parts/CasesTest.php): the part a desk begins with, what an answer is worth, and how it
 * is said. Where the two sides understand a kind differently, one of the tests fails.
 */
type Case = { said: string; fresh: Part; part?: Part; response?: Record<string, unknown> }
const read = (file: string) => JSON.parse(readFileSync(file, 'utf8'))
const cases: Record<string, Case> = read('core/tests/cases/kinds.json')

test.each(read('core/tests/cases/credits.json') as { credit: string; sign: number }[])(
  'the sign of $credit is $sign',
  ({ credit, sign }) => {
    expect(isPositive(credit)).toBe(sign > 0)
    expect(isZero(credit)).toBe(sign === 0)
  },
)

test('there is a case for every kind', () => {
  expect(Object.keys(cases).sort()).toEqual(parts.map((view) => view.kind).sort())
})

const around = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>
    <MemoryRouter>
      <Toasts words={{ label: 'Notices', undo: 'Undo', close: 'Close' }}>
        <Suspense>{children}</Suspense>
      </Toasts>
    </MemoryRouter>
  </QueryClientProvider>
)

describe.each(parts)('$kind', (view) => {
  const kept = cases[view.kind] as Case
  const example = read(`core/schema/examples/${view.kind}.json`)
  const part: Part = kept.part ?? example.valid.parts.find((one: Part) => one.kind === view.kind)
  const response: Record<string, unknown> = kept.response ?? example.response[part.id]

  test('begins with the part that the core knows', () => {
    expect(view.fresh('p1')).toEqual(kept.fresh)
  })

  test('keeps nobody waiting but itself while what learners see is fetched', () => {
    // a component of React.lazy, bare, would take the whole screen away until it is there
    expect(view.Learner).not.toHaveProperty('$$typeof', Symbol.for('react.lazy'))
  })

  test('says a response in words', () => {
    expect(view.said(response, part)).toBe(kept.said)
  })

  test.each([
    ['a new part', kept.fresh],
    ['the example', part],
  ])('the editor shows %s, names every control, and changes nothing by itself', async (_, given) => {
    const onChange = vi.fn()
    render(<view.Editor part={given} onChange={onChange} problem={() => undefined} media={(id) => id} />, { wrapper: around })
    await screen.findAllByRole('button', {}, { timeout: 10_000 }) // editors are loaded when they are first used
    expect(onChange).not.toHaveBeenCalled()
    for (const role of ['textbox', 'checkbox', 'combobox', 'button', 'radio', 'spinbutton'])
      for (const control of screen.queryAllByRole(role)) expect(control, control.outerHTML).toHaveAccessibleName()
  })

  test('what is typed and pressed in the editor changes this part alone, and never what it was given', async () => {
    const user = userEvent.setup()
    let now = structuredClone(part)
    const before = structuredClone(part)
    const onChange = vi.fn((next: Part) => {
      now = next
    })
    const { rerender } = render(<view.Editor part={part} onChange={onChange} problem={() => undefined} media={(id) => id} />, {
      wrapper: around,
    })
    await screen.findAllByRole('button', {}, { timeout: 10_000 })
    const redraw = () => rerender(<view.Editor part={now} onChange={onChange} problem={() => undefined} media={(id) => id} />)
    for (const role of ['checkbox', 'radio', 'spinbutton', 'combobox'])
      for (let i = 0; i < screen.queryAllByRole(role).length && i < 4; i++) {
        const control = screen.queryAllByRole(role)[i] as HTMLElement
        if (role === 'combobox' && control instanceof HTMLSelectElement)
          await user.selectOptions(control, control.options[control.options.length - 1] as HTMLOptionElement)
        else if (role === 'spinbutton') {
          await user.clear(control)
          await user.type(control, '3')
        } else if (role !== 'combobox') await user.click(control)
        redraw()
      }
    expect(onChange).toHaveBeenCalled()
    expect(part).toEqual(before)
    for (const [next] of onChange.mock.calls) {
      expect(next).toMatchObject({ id: part.id, kind: part.kind })
      for (const rule of (next.key?.rules ?? []) as Rule[]) expect(rule).toMatchObject({ id: expect.any(String) })
      const ids = ((next.key?.rules ?? []) as Rule[]).map((rule) => rule.id)
      expect(new Set(ids).size).toBe(ids.length)
    }
  })
})
