import { act, render } from '@testing-library/react'
import { useState } from 'react'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextPane, useKeepFocus } from './useKeepFocus'

beforeEach(() => {
  vi.useFakeTimers()
  // jsdom draws nothing: everything counts as visible
  Element.prototype.getClientRects = () => [{}] as unknown as DOMRectList
})
const settle = () =>
  act(async () => {
    await vi.advanceTimersByTimeAsync(2000)
  })

function List() {
  useKeepFocus()
  const [items, setItems] = useState(['a', 'b', 'c'])
  const [saved, setSaved] = useState(0)
  return (
    <main>
      <ul>
        {items.map((item) => (
          <li key={item}>
            <button type="button" onClick={() => setItems(items.filter((one) => one !== item))}>
              {item}
            </button>
          </li>
        ))}
      </ul>
      <button key={saved} data-focus="save" type="button" onClick={() => setSaved(saved + 1)}>{`Save revision ${saved}`}</button>
    </main>
  )
}

describe('the focus', () => {
  it('goes to what took the place of what was taken out', async () => {
    const { getByText } = render(<List />)
    getByText('b').focus()
    act(() => getByText('b').click())
    await settle()
    expect(document.activeElement?.textContent).toBe('c')
  })

  it('stays with a button that was drawn anew under another name', async () => {
    const { getByText } = render(<List />)
    getByText('Save revision 0').focus()
    act(() => getByText('Save revision 0').click())
    await settle()
    expect(document.activeElement?.textContent).toBe('Save revision 1')
  })

  it('goes from pane to pane and round', () => {
    document.body.innerHTML = '<div data-pane><button>one</button></div><div data-pane tabindex="-1" id="two"></div>'
    document.querySelector('button')?.focus()
    nextPane(1)
    expect(document.activeElement?.id).toBe('two')
    nextPane(1)
    expect(document.activeElement?.textContent).toBe('one')
    nextPane(-1)
    expect(document.activeElement?.id).toBe('two')
  })
})
