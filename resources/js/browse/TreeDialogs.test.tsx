import { render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { expect, it, vi } from 'vitest'
import { NodeMenu } from './TreeDialogs'

it.each([
  ['{Enter}', 'by Enter'],
  ['{ArrowDown}', 'by an arrow'],
])('makes its menu when it is first opened (%s), and gives the focus back to its button', async (key) => {
  const user = userEvent.setup()
  const ask = vi.fn()
  const item = { id: 'a', parent: null, name: 'Rocks' }
  render(<NodeMenu item={item} kind="topics" ask={ask} tabIndex={0} twins={1} onTwins={() => undefined} />)
  const button = () => screen.getByRole('button', { name: /Rocks/, hidden: true })
  expect(button()).toHaveAttribute('aria-haspopup', 'menu')
  button().focus()
  await user.keyboard(key)
  await user.click(await screen.findByRole('menuitem', { name: 'Rename' }))
  await waitFor(() => expect(ask).toHaveBeenCalledWith({ what: 'rename', item }))
  expect(button()).toHaveFocus()
})
