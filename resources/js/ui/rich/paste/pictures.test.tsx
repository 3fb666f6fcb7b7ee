import { describe, expect, it } from 'vitest'
import { fileOf } from './pictures'

const picture = (src: string, alt = '') => Object.assign(document.createElement('img'), { src, alt })

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
