import { describe, expect, it } from 'vitest'
import { creditFromPercent, percentFromCredit, toHtml, toWords } from './html'

describe('credit typed as a percentage', () => {
  it.each([
    ['100', '1'],
    ['50', '1/2'],
    ['33.3', '333/1000'],
    ['12,5 %', '1/8'],
    ['-25', '-1/4'],
    ['0', '0'],
    ['-0.5', '-1/200'],
  ])('keeps %s exactly, as %s', (typed, exact) => expect(creditFromPercent(typed)).toBe(exact))

  it('keeps what is no number as it was typed, for the server to name it', () => expect(creditFromPercent('half')).toBe('half'))

  it.each([
    ['1', '100'],
    ['3/4', '75'],
    ['1/3', '33.33'],
    ['0.1', '10'],
    ['-1/2', '-50'],
    ['much', 'much'],
  ])('shows %s as %s', (exact, shown) => expect(percentFromCredit(exact)).toBe(shown))
})

describe('plain words in rich text', () => {
  it('are those of a picture too', () => expect(toWords('<p>Bed <img alt="Large grains" data-media="m"/></p>')).toBe('Bed Large grains'))
  it.each(['a < b & c', 'two  spaces', '“quotes”', ''])('gives %j back as it was', (words) => expect(toWords(toHtml(words))).toBe(words))
})
