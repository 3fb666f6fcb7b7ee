import { afterEach, expect, test, vi } from 'vitest'
import { fetchFile, fileName } from './saveFile'

afterEach(() => vi.unstubAllGlobals())

test.each([
  ['attachment; filename=rocks-key.docx', 'rocks-key.docx'],
  ['attachment; filename="two words.pdf"', 'two words.pdf'],
  ["attachment; filename=ge-1-2.pdf; filename*=utf-8''%CE%93%CE%B7%201%202.pdf", 'Γη 1 2.pdf'],
  ['', ''],
])('the name in %s', (header, name) => {
  expect(fileName(header)).toBe(name)
})

test('a refusal is told with its sentence', async () => {
  const refusal = new Response(JSON.stringify({ type: 'urn:x', detail: 'This cannot be printed as it stands.' }), { status: 422 })
  vi.stubGlobal('fetch', () => Promise.resolve(refusal))
  await expect(fetchFile('/x')).rejects.toMatchObject({ status: 422, message: 'This cannot be printed as it stands.' })
})
