import { fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { describe, expect, test, vi } from 'vitest'
import type { Criterion, Rubric } from '@/api/question'
import { Checklist } from './Checklist'
import { RubricGrid } from './RubricGrid'

const criterion = (id: string, title: string, points: number[]): Criterion => ({
  id,
  title,
  levels: points.map((value, i) => ({ id: `l${i + 1}`, title: '', points: value, html: '' })),
})
const ideas = criterion('c1', 'Ideas', [4, 2, 0])
const language = criterion('c2', 'Language', [2, 1])
const onPasteCells = vi.fn()

function Desk({ scheme, View, mayAdd = true }: { scheme: Rubric['scheme']; View: typeof RubricGrid; mayAdd?: boolean }) {
  const [criteria, setCriteria] = useState([ideas, language])
  const rubric = { scheme, title: '', criteria } as Rubric
  const others = { media: (id: string) => id, problem: () => undefined, onPasteCells, mayAdd }
  return (
    <>
      <View rubric={rubric} onChange={setCriteria} {...others} />
      <output>{criteria.map((one) => `${one.title}: ${one.levels.map((it) => it.points).join(' ')}`).join(' | ')}</output>
    </>
  )
}
const kept = () => screen.getByRole('status').textContent
const first = () => screen.getByRole('textbox', { name: 'Criterion 1' })

describe('the grid of a rubric', () => {
  test('Enter goes down, and below the last criterion begins one with the same points', async () => {
    render(<Desk scheme="analytic" View={RubricGrid} />)
    await userEvent.click(first())
    await userEvent.keyboard('{Enter}')
    await waitFor(() => expect(screen.getByRole('textbox', { name: 'Criterion 2' })).toHaveFocus())
    await userEvent.keyboard('{Enter}')
    expect(kept()).toBe('Ideas: 4 2 0 | Language: 2 1 | : 2 1')
  })

  test('Enter begins none where a rubric may have no more', async () => {
    render(<Desk scheme="analytic" View={RubricGrid} mayAdd={false} />)
    await userEvent.click(screen.getByRole('textbox', { name: 'Criterion 2' }))
    await userEvent.keyboard('{Enter}')
    expect(kept()).toBe('Ideas: 4 2 0 | Language: 2 1')
  })

  test('Alt and an arrow move a criterion, or the level the cursor is in', async () => {
    render(<Desk scheme="analytic" View={RubricGrid} />)
    await userEvent.click(first())
    await userEvent.keyboard('{Alt>}{ArrowUp}{ArrowRight}{/Alt}')
    expect(kept(), 'at the edge nothing moves').toBe('Ideas: 4 2 0 | Language: 2 1')
    await userEvent.keyboard('{Alt>}{ArrowDown}{/Alt}')
    expect(kept()).toBe('Language: 2 1 | Ideas: 4 2 0')
    await userEvent.click(screen.getByRole('textbox', { name: 'Name: level 1 of Ideas' }))
    await userEvent.keyboard('{Alt>}{ArrowRight}{/Alt}')
    expect(kept()).toBe('Language: 2 1 | Ideas: 2 4 0')
  })

  test('cells of a table are handed on with the row they were pasted in, words are not', () => {
    render(<Desk scheme="analytic" View={RubricGrid} />)
    const paste = (text: string) => fireEvent.paste(first(), { clipboardData: { getData: () => text } })
    paste('two words')
    expect(onPasteCells).not.toHaveBeenCalled()
    paste('Argument\t3\t0')
    expect(onPasteCells).toHaveBeenCalledWith('Argument\t3\t0', 0)
  })

  test('a criterion and a level are taken away', async () => {
    render(<Desk scheme="analytic" View={RubricGrid} />)
    const cell = screen.getByRole('textbox', { name: 'Name: level 2 of Ideas' }).closest('td') as HTMLElement
    await userEvent.click(within(cell).getByRole('button', { name: 'Remove level 2 of Ideas' }))
    await userEvent.click(screen.getByRole('button', { name: 'Remove Language' }))
    expect(kept()).toBe('Ideas: 4 0')
  })
})

describe('a checklist', () => {
  test('Enter begins the next point, wordings stand between semicolons', async () => {
    render(<Desk scheme="checklist" View={Checklist} />)
    await userEvent.click(screen.getByRole('textbox', { name: 'Point 2' }))
    await userEvent.keyboard('{Enter}')
    expect(kept()).toBe('Ideas: 4 2 0 | Language: 2 1 | : 1')
    const accepted = screen.getByRole('textbox', { name: 'accept Ideas' })
    await userEvent.type(accepted, 'faster; ')
    expect(accepted, 'what was just typed stays').toHaveValue('faster; ')
  })
})
