import { act, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { useState } from 'react'
import { expect, it, vi } from 'vitest'
import { FormDialog } from './FormDialog'
import { Menu } from './Menu'

function Screen({ onSubmit, disabled = false, own = false }: { onSubmit: () => void; disabled?: boolean; own?: boolean }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Menu.Root button={<button type="button">This bank</button>}>
        <Menu.Item onSelect={() => setOpen(true)}>Rename</Menu.Item>
      </Menu.Root>
      {open ? (
        <FormDialog title="Rename" go="Save" onClose={() => setOpen(false)} onSubmit={onSubmit} disabled={disabled}>
          <input type="radio" aria-label="not this" />
          <input aria-label="Name" />
          {/* biome-ignore lint/a11y/noAutofocus: what is tested */}
          <input aria-label="Purpose" autoFocus={own} />
        </FormDialog>
      ) : null}
    </>
  )
}

async function opened(props: Parameters<typeof Screen>[0]) {
  render(<Screen {...props} />)
  const button = screen.getByRole('button', { name: 'This bank' })
  button.focus()
  fireEvent.keyDown(button, { key: 'Enter' })
  fireEvent.click(await screen.findByRole('menuitem', { name: 'Rename' }))
  await screen.findByRole('dialog')
  return button
}

it.each([
  [false, 'Name'],
  [true, 'Purpose'],
])(
  'begins in its first field, or in the one that asks for it, and gives the focus back to where its menu was opened',
  async (own, field) => {
    const button = await opened({ onSubmit: () => undefined, own })
    await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText(field)))
    fireEvent.keyDown(screen.getByLabelText(field), { key: 'Escape' })
    await waitFor(() => expect(document.activeElement).toBe(button))
  },
)

it.each([
  [false, 1],
  [true, 0],
])('is sent by its button and by Enter, but not while it waits', async (disabled, times) => {
  const onSubmit = vi.fn()
  await opened({ onSubmit, disabled })
  act(() => screen.getByRole('button', { name: 'Save' }).click())
  expect(onSubmit).toHaveBeenCalledTimes(times)
  fireEvent.submit(screen.getByLabelText('Name').closest('form') as HTMLFormElement)
  expect(onSubmit).toHaveBeenCalledTimes(2 * times)
})
