import { act, render } from '@testing-library/react'
import { createBrowserRouter, RouterProvider } from 'react-router'
import { expect, it } from 'vitest'
import { useAddress } from './useAddress'

const drawn: ReturnType<typeof useAddress>[] = []
function Probe() {
  drawn.push(useAddress())
  return null
}

it('builds a change on the one before it, also when that is not drawn yet', async () => {
  window.history.replaceState(null, '', '/?words=slate&kind=choice')
  render(<RouterProvider router={createBrowserRouter([{ path: '*', element: <Probe /> }])} />)
  const early = drawn.at(-1)
  await act(async () => {
    early?.set('words', '')
    await Promise.resolve()
    early?.set('question', 'q7', true)
  })
  expect(window.location.search).toBe('?kind=choice&question=q7')
  expect(drawn.at(-1)?.address.toString()).toBe('kind=choice&question=q7')
})
