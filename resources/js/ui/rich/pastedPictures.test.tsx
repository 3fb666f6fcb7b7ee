import { describe, expect, it } from 'vitest'
import { fileOf, pastedPictures } from './pastedPictures'

const picture = (src: string, alt = '') => Object.assign(document.createElement('img'), { src, alt })

describe('pictures in what is pasted', () => {
  it.each(['', '<p>words</p>', '<p><img data-media="m1" alt="ours"></p>'])('none: %s', (html) => expect(pastedPictures(html)).toBeNull())

  it('are told apart: those that came along, and those that are elsewhere', () => {
    const found = pastedPictures(
      '<p>Beds <img src="data:image/png;base64,AAAA" alt="x"><img src="https://x.example/a.png"><img src="file:///C:/a.png"><img data-media="m1"></p>',
    )
    expect(found?.embedded).toHaveLength(1)
    expect(found?.dropped).toBe(2)
    expect(found?.body.querySelectorAll('img')).toHaveLength(2)
  })
})

describe('the file of a picture', () => {
  it.each([
    ['data:image/png;base64,AAEC', 'beds', 'beds.png', 3],
    ['data:image/jpeg;base64,AA EC', '', '1.jpg', 3],
    ['data:image/svg+xml;charset=utf-8,%3Csvg%2F%3E', '', '1.svg', 6],
  ])('%s', (src, alt, name, size) => {
    const file = fileOf(picture(src, alt), 0)
    expect(file?.name).toBe(name)
    expect(file?.size).toBe(size)
  })

  it.each(['https://x.example/a.png', 'data:text/html,x', 'data:image/png;base64,!!!', 'data:image/svg+xml,%E0%A4'])('none: %s', (src) =>
    expect(fileOf(picture(src), 0)).toBeNull(),
  )
})
