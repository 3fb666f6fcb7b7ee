import { describe, expect, it } from 'vitest'
import { isFormatted } from './pasted'

describe('isFormatted', () => {
  it.each([
    ['', false],
    ['<p>1. Which?</p><p>A. slate</p>', false],
    ['<p><b>A. slate</b></p>', true],
    ['<span style="background:yellow">slate</span>', true],
    ['<ol><li>slate</li></ol>', true],
    ['<body><br><p>bread</p></body>', false],
  ])('%s', (html, formatted) => {
    expect(isFormatted(html)).toBe(formatted)
  })
})
