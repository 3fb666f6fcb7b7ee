import { expect, test } from 'vitest'
import { remarksOf, withoutRemark, withRemarkNumbers } from './remarks'

const html =
  '<p>The <span data-remark="b">water is <span data-remark="a">fast</span></span><span data-remark="a">est outside</span>, it <span data-remark="c">cuts</span>.</p>'

test('remarks are counted in the order in which their passages begin, also where they overlap', () => {
  expect(remarksOf(html)).toEqual(['b', 'a', 'c'])
  expect(withRemarkNumbers(html)).toBe(
    '<p>The <u>water is <u>fast</u></u><sup>[1]</sup><u>est outside</u><sup>[2]</sup>, it <u>cuts</u><sup>[3]</sup>.</p>',
  )
})

test('a remark that is taken off leaves its words and the others', () => {
  expect(withoutRemark(html, 'a')).toBe(
    '<p>The <span data-remark="b">water is fast</span>est outside, it <span data-remark="c">cuts</span>.</p>',
  )
  expect(withRemarkNumbers('<p>No remark.</p>')).toBe('<p>No remark.</p>')
})
