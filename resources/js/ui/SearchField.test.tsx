import { fireEvent, render, screen } from '@testing-library/react'
import { act } from 'react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { SearchField } from './SearchField'

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())
const type = (text: string) => fireEvent.change(screen.getByRole('searchbox'), { target: { value: text } })

it('looks after a pause, at once by Enter, and never twice for the same words', () => {
  const look = vi.fn()
  render(<SearchField label="Find" value="" onChange={look} />)
  type('sl')
  type('slate')
  expect(look).not.toHaveBeenCalled()
  act(() => vi.advanceTimersByTime(300))
  expect(look.mock.calls).toEqual([['slate']])
  type('slates')
  fireEvent.keyDown(screen.getByRole('searchbox'), { key: 'Enter' })
  act(() => vi.advanceTimersByTime(300))
  expect(look.mock.calls).toEqual([['slate'], ['slates']])
})

it('follows the address, but never takes away what is being typed', () => {
  const look = vi.fn()
  const { rerender } = render(<SearchField label="Find" value="one" onChange={look} />)
  rerender(<SearchField label="Find" value="" onChange={look} />)
  expect(screen.getByRole('searchbox')).toHaveValue('')
  type('new')
  rerender(<SearchField label="Find" value="" onChange={look} />)
  expect(screen.getByRole('searchbox')).toHaveValue('new')
  // On a busy machine the address says the first words when the next have been told too.
  act(() => vi.advanceTimersByTime(100))
  type('new words')
  act(() => vi.advanceTimersByTime(100))
  rerender(<SearchField label="Find" value="new" onChange={look} />)
  expect(screen.getByRole('searchbox')).toHaveValue('new words')
})
