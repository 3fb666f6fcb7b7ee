import { fireEvent, render, screen } from '@testing-library/react'
import { expect, it, vi } from 'vitest'
import { VirtualRows } from './VirtualRows'

const rows = ['a', 'b', 'c', 'd'].map((id) => ({ id }))

it('means the row chosen last, also while the one before is still drawn as active', () => {
  const onActive = vi.fn()
  const onSelect = vi.fn()
  const onMove = vi.fn()
  render(
    <VirtualRows
      label="Rows"
      rows={rows}
      all={4}
      height={20}
      id={(row) => row.id}
      active="a"
      selected={[]}
      onActive={(row, extend, from) => onActive(row.id, extend, from)}
      onSelect={(row) => onSelect(row.id)}
      onOpen={vi.fn()}
      onEnd={vi.fn()}
      onMove={(row, before) => onMove(row.id, before?.id)}
      draw={(row) => row.id}
    />,
  )
  const press = (key: string, more = {}) => fireEvent.keyDown(screen.getByRole('listbox'), { key, ...more })
  press('ArrowDown')
  press('ArrowDown', { shiftKey: true })
  press(' ')
  press('ArrowUp', { altKey: true })
  expect(onActive.mock.calls).toEqual([
    ['b', false, 'a'],
    ['c', true, 'b'],
  ])
  expect(onSelect).toHaveBeenCalledWith('c')
  expect(onMove).toHaveBeenCalledWith('c', 'b')
})
