import { describe, expect, it } from 'vitest'
import { isFormatted, typedQuestions } from './pasted'

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

describe('typedQuestions', () => {
  it.each([
    ['1. Which splits?\nA. slate\nB. chalk\n2. Which fizzes?\nA. slate\nB. chalk', 2],
    ['1) Name it.\nAnswer: slate\n\n2) Why?\nAnswer: heat\n3) When?\nAnswer: now', 3],
    ['1. A step\n2. Another step', 0],
    ['1. One question\nA. slate\nB. chalk', 0],
    ['slate\nchalk', 0],
  ])('%j', (text, count) => {
    expect(typedQuestions(text)).toBe(count)
  })
})
