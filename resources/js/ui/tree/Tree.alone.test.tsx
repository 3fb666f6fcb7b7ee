import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { beforeEach, expect, it, vi } from 'vitest'
import { Tree } from './Tree'

const items = [
  { id: 'a', parent: null, name: 'Branch' },
  { id: 'b', parent: 'a', name: 'Twig' },
  { id: 'c', parent: 'a', name: 'Other twig' },
  { id: 'd', parent: null, name: 'Second branch' },
]
/** The cursor moves a moment later, when the row is drawn. */
const focused = (name: string) => waitFor(() => expect(document.activeElement).toHaveAttribute('aria-label', name))

beforeEach(() => localStorage.clear())

it('is walked, opened, closed and ticked by keys, and remembers what is closed', async () => {
  const user = userEvent.setup()
  const tick = vi.fn()
  const { unmount } = render(<Tree name="t" label="A tree" items={items} ticked={['b']} onTick={tick} />)
  await user.tab()
  await focused('Branch')
  await user.keyboard('{ArrowRight}')
  await focused('Twig')
  await user.keyboard('{ArrowLeft}')
  await focused('Branch')
  await user.keyboard('{ArrowLeft}')
  expect(screen.getByRole('treeitem', { name: 'Branch' })).toHaveAttribute('aria-expanded', 'false')
  expect(screen.queryByRole('treeitem', { name: 'Twig' })).toBeNull()
  await user.keyboard('{ArrowDown}')
  await focused('Second branch')
  await user.keyboard(' ')
  expect(tick).toHaveBeenCalledWith('d')
  await user.keyboard('{Home}{ArrowRight}{End}')
  await focused('Second branch')
  await user.keyboard('{Home}{ArrowLeft}')
  unmount()
  render(<Tree name="t" label="A tree" items={items} ticked={[]} onTick={tick} />)
  expect(screen.getAllByRole('treeitem')).toHaveLength(2)
})

it('goes to the next name that begins with what is typed, in closed and open branches alike', async () => {
  const user = userEvent.setup()
  render(<Tree name="t" label="A tree" items={items} ticked={[]} onTick={() => undefined} />)
  await user.tab()
  await user.keyboard('o')
  await focused('Other twig')
  await user.keyboard('{Home}')
  await focused('Branch')
  await user.keyboard('sec')
  await focused('Second branch')
})

it('says what is ticked, how deep it lies, and has one stop for Tab', async () => {
  const user = userEvent.setup()
  render(
    <>
      <Tree
        name="t"
        label="A tree"
        items={items}
        ticked={['b']}
        onTick={() => undefined}
        more={(item, tabIndex) => <button type="button" tabIndex={tabIndex}>{`more ${item.name}`}</button>}
      />
      <button type="button">after</button>
    </>,
  )
  expect(screen.getByRole('treeitem', { name: 'Twig' })).toHaveAttribute('aria-selected', 'true')
  expect(screen.getByRole('treeitem', { name: 'Twig' })).toHaveAttribute('aria-level', '2')
  await user.tab()
  await user.tab()
  expect(document.activeElement).toHaveTextContent('more Branch')
  await user.tab()
  expect(document.activeElement).toHaveTextContent('after')
})

it('draws only the rows again whose count, place or tick has changed', () => {
  const more = vi.fn((item: { id: string }) => <span>{item.id}</span>)
  const tick = vi.fn()
  const none: string[] = []
  const counted = (counts: Record<string, number>) => items.map((item) => ({ ...item, count: counts[item.id] ?? 0 }))
  const tree = (counts: Record<string, number>, ticked = none) => (
    <Tree name="t" label="A tree" items={counted(counts)} ticked={ticked} onTick={tick} more={more} />
  )
  const { rerender } = render(tree({ b: 1 }))
  const drawn = () => new Set(more.mock.calls.splice(0).map(([item]) => item.id))
  drawn()
  rerender(tree({ b: 2 }))
  expect(drawn()).toEqual(new Set(['b']))
  expect(screen.getByRole('treeitem', { name: 'Twig, 2' })).toBeVisible()
  rerender(tree({ b: 2 }, ['d']))
  expect(drawn()).toEqual(new Set(['d']))
})
