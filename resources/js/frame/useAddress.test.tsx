import { act, render } from '@testing-library/react'
import { createBrowserRouter, RouterProvider } from 'react-router'
import { expect, it } from 'vitest'
import { useAddress } from './useAddress'

it('builds a change on the one before it, also when that is not drawn yet', async () => {
  window.history.replaceState(null, '', '/?words=slate&kind=choice')
  let drawn: ReturnType<typeof useAddress> | undefined
  const Probe = () => {
    drawn = useAddress()
    return null
  }
  render(<RouterProvider router={createBrowserRouter([{ path: '*', element: <Probe /> }])} />)
  const early = drawn
  await act(async () => {
    early?.set('words', '')
    await Promise.resolve()
    early?.set('question', 'q7', true)
  })
  expect(window.location.search).toBe('?kind=choice&question=q7')
  expect(drawn?.address.toString()).toBe('kind=choice&question=q7')
})
