import { expect, it, vi } from 'vitest'
import { optionLines, type PastedLines } from '@/api/actions'
import { pastedIn, pasteLines } from './pasteLines'

vi.mock('@/api/actions')

it('is in before what waits for it goes on', async () => {
  let answer = (_: PastedLines) => {}
  vi.mocked(optionLines).mockReturnValue(
    new Promise((resolve) => {
      answer = resolve
    }),
  )
  const rows: string[] = []
  pasteLines('A) slate\nB) shale', (lines) => rows.push(...lines))
  const saved = pastedIn().then(() => [...rows])
  answer({ lines: ['slate', 'shale'], pairs: null })
  expect(await saved).toEqual(['slate', 'shale'])
})

it('takes the lines as they are where the core cannot be asked', async () => {
  vi.mocked(optionLines).mockRejectedValue(new Error('offline'))
  const rows: string[] = []
  pasteLines(' slate \r\n\r\nshale', (lines) => rows.push(...lines))
  await pastedIn()
  expect(rows).toEqual(['slate', 'shale'])
})
