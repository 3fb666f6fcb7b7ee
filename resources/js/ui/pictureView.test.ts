import { expect, it } from 'vitest'
import { readView, viewStyles, writeView } from './pictureView'

// The same cases as core/tests/Content/PictureViewTest.php.
it.each([
  ['25 25 50 50 100 100', '50/50', '200%', '-50%', '-50%'],
  ['0 0 300 100 600 200', '300/100', '200%', '-0%', '-0%'],
])('cuts %s in a box of its shape', (written, aspectRatio, width, marginLeft, marginTop) => {
  const view = readView(written)
  expect(view && writeView(view)).toBe(written)
  expect(view && viewStyles(view, 240)).toEqual({ box: { width: '240px', aspectRatio }, picture: { width, marginLeft, marginTop } })
})

it.each(['', '1 2 3', '0 0 10 10 10 10', '5 0 6 5 10 10', '0 0 0 5 10 10', '-1 0 5 5 10 10', '0 0 5 5 10 10 ', null])(
  '%s is none',
  (written) => expect(readView(written)).toBeNull(),
)
