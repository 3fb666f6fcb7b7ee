import { describe, expect, it } from 'vitest'
import { fromMathMl } from './fromMathMl'
import { keypad } from './keypad'
import { toMathMl, UnreadableTex } from './toMathMl'

/** What stands beside the TeX. */
const drawn = (tex: string) => toMathMl(tex, false).replace(/^<math><semantics>|<annotation.*$/g, '')
const atom = (letters: string) => [...letters].map((one) => `<mi mathvariant="normal">${one}</mi>`).join('')

describe('TeX as MathML', () => {
  it.each([
    ['\\frac{m}{V}', '<mfrac><mi>m</mi><mi>V</mi></mfrac>'],
    ['x^2+3x', '<mrow><msup><mi>x</mi><mn>2</mn></msup><mo>+</mo><mn>3</mn><mi>x</mi></mrow>'],
    ['\\sqrt[3]{x}', '<mroot><mi>x</mi><mn>3</mn></mroot>'],
    // scripts belong to their symbol, so that they are read aloud as its (MathML Core 3.4.3)
    ['\\ce{H2O}', `<mrow><msub>${atom('H')}<mn>2</mn></msub>${atom('O')}</mrow>`],
    ['\\ce{SO4^2-}', `<msubsup><mrow>${atom('SO')}</mrow><mn>4</mn><mrow><mn>2</mn><mo>−</mo></mrow></msubsup>`],
    ['\\ce{^{14}_{6}C}', `<mmultiscripts>${atom('C')}<mprescripts></mprescripts><mn>6</mn><mn>14</mn></mmultiscripts>`],
    ['{}^{14}_{6}\\mathrm{C}', `<mmultiscripts>${atom('C')}<mprescripts></mprescripts><mn>6</mn><mn>14</mn></mmultiscripts>`],
    ['\\frac{\\val{m_1}}{\\val{V}}', '<mfrac><mi data-value="m_1"></mi><mi data-value="V"></mi></mfrac>'],
  ])('%s', (tex, expected) => expect(drawn(tex)).toBe(expected))

  it('keeps the TeX beside it, and says whether it has a line of its own', () => {
    expect(toMathMl(' a<b ', true)).toMatch(/^<math display="block">.*<annotation encoding="application\/x-tex">a&lt;b<\/annotation>/)
  })

  it.each([
    ['\\frac{', /end of input/],
    ['\\bad{x}', /Undefined control sequence: \\bad/],
    ['\\href{javascript:x()}{y}', /\\href/],
    ['\\includegraphics{x.png}', /\\includegraphics/],
    ['\\def\\a{\\a\\a}\\a', /Too many expansions/],
    [`${'x'.repeat(2001)}`, /2000/],
  ])('refuses %s', (tex, why) => {
    expect(() => toMathMl(tex, false)).toThrow(UnreadableTex)
    expect(() => toMathMl(tex, false)).toThrow(why)
  })

  it('draws the face of every key', () => {
    for (const key of Object.values(keypad).flat()) expect(toMathMl(key.face ?? key.tex, false)).toContain('<math>')
  })
})

describe('MathML as TeX', () => {
  it('is what was kept beside it', () => expect(fromMathMl(toMathMl('\\ce{CaCO3 -> CaO + CO2}', true))).toBe('\\ce{CaCO3 -> CaO + CO2}'))

  it.each([
    ['<math><mfrac><mi>m</mi><mi>V</mi></mfrac></math>', '\\frac{m}{V}'],
    ['<math><mfrac><mi data-value="a"></mi><mn>2</mn></mfrac></math>', '\\frac{\\val{a}}{2}'],
  ])('of a stranger: %s', (source, tex) => expect(fromMathMl(source).replace(/\s/g, '')).toBe(tex))
})
