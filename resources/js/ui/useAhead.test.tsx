import { renderHook } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import { useAhead } from './useAhead'

describe('what was chosen last', () => {
  const start = () => renderHook(({ drawn }: { drawn: string | undefined }) => useAhead(drawn), { initialProps: { drawn: 'a' } })

  it('counts before it is drawn, and while earlier choices are drawn', () => {
    const { result, rerender } = start()
    result.current.ask('b')
    result.current.ask('c')
    expect(result.current.latest()).toBe('c')
    rerender({ drawn: 'b' })
    expect(result.current.latest()).toBe('c')
    rerender({ drawn: 'c' })
    expect(result.current.latest()).toBe('c')
  })

  it('gives way to what is chosen elsewhere', () => {
    const { result, rerender } = start()
    result.current.ask('b')
    rerender({ drawn: 'z' })
    expect(result.current.latest()).toBe('z')
  })
})
