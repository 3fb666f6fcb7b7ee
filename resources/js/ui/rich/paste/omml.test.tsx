import { expect, test } from 'vitest'
import { formulas, shownFormulas } from './formulas'

/** A run, as Word writes it. */
const run = (text: string, style = '') =>
  `<m:r>${style === '' ? '' : `<m:rpr><m:sty m:val="${style}"></m:sty></m:rpr>`}<m:t>${text}</m:t></m:r>`
const said = (list: string, name: string, value: string) => `<m:${list}><m:${name} m:val="${value}"></m:${name}></m:${list}>`

function mathMl(omml: string): string {
  const body = document.createElement('div')
  body.innerHTML = `<m:oMath>${omml}</m:oMath>`
  formulas(body)
  return body.querySelector('math')?.innerHTML.replaceAll(' xmlns="http://www.w3.org/1998/Math/MathML"', '') ?? ''
}

// what each element means: ECMA-376 part 1, 22.1.2
test.each([
  ['numbers, names and signs of a run', run('2x+1,5'), '<mn>2</mn><mi>x</mi><mo>+</mo><mn>1,5</mn>'],
  ['a word that stands upright', run('sin', 'p'), '<mi>sin</mi>'],
  ['a letter that stands upright', run('d', 'p'), '<mi mathvariant="normal">d</mi>'],
  ['a fraction', `<m:f><m:num>${run('a')}</m:num><m:den>${run('b')}</m:den></m:f>`, '<mfrac><mi>a</mi><mi>b</mi></mfrac>'],
  [
    'a fraction without its bar',
    `<m:f>${said('fpr', 'type', 'noBar')}<m:num>${run('n')}</m:num><m:den>${run('k')}</m:den></m:f>`,
    '<mfrac linethickness="0"><mi>n</mi><mi>k</mi></mfrac>',
  ],
  ['a power', `<m:ssup><m:e>${run('x')}</m:e><m:sup>${run('2')}</m:sup></m:ssup>`, '<msup><mi>x</mi><mn>2</mn></msup>'],
  [
    'an index and a power',
    `<m:ssubsup><m:e>${run('x')}</m:e><m:sub>${run('i')}</m:sub><m:sup>${run('2')}</m:sup></m:ssubsup>`,
    '<msubsup><mi>x</mi><mi>i</mi><mn>2</mn></msubsup>',
  ],
  [
    'scripts before a symbol',
    `<m:spre><m:sub>${run('6')}</m:sub><m:sup>${run('14')}</m:sup><m:e>${run('C')}</m:e></m:spre>`,
    '<mmultiscripts><mi>C</mi><mprescripts></mprescripts><mn>6</mn><mn>14</mn></mmultiscripts>',
  ],
  ['a square root', `<m:rad><m:deg></m:deg><m:e>${run('2')}</m:e></m:rad>`, '<msqrt><mn>2</mn></msqrt>'],
  ['a cube root', `<m:rad><m:deg>${run('3')}</m:deg><m:e>${run('x')}</m:e></m:rad>`, '<mroot><mi>x</mi><mn>3</mn></mroot>'],
  [
    'an integral, which is what stands where no sign is said',
    `<m:nary><m:sub>${run('0')}</m:sub><m:sup>${run('1')}</m:sup><m:e>${run('x')}</m:e></m:nary>`,
    '<msubsup><mo>∫</mo><mn>0</mn><mn>1</mn></msubsup><mi>x</mi>',
  ],
  [
    'a sum with its bounds above and below',
    '<m:nary><m:narypr><m:chr m:val="∑"></m:chr><m:limloc m:val="undOvr"></m:limloc></m:narypr>' +
      `<m:sub>${run('i')}</m:sub><m:sup>${run('n')}</m:sup><m:e>${run('i')}</m:e></m:nary>`,
    '<munderover><mo>∑</mo><mi>i</mi><mi>n</mi></munderover><mi>i</mi>',
  ],
  [
    'brackets, which are round where none are said',
    `<m:d><m:e>${run('a')}</m:e><m:e>${run('b')}</m:e></m:d>`,
    '<mrow><mo fence="true">(</mo><mi>a</mi><mo>|</mo><mi>b</mi><mo fence="true">)</mo></mrow>',
  ],
  [
    'a bracket on the left alone',
    `<m:d><m:dpr><m:begchr m:val="{"></m:begchr><m:endchr m:val=""></m:endchr></m:dpr><m:e>${run('x')}</m:e></m:d>`,
    '<mrow><mo fence="true">{</mo><mi>x</mi></mrow>',
  ],
  [
    'a function and what it is of',
    `<m:func><m:fname>${run('cos', 'p')}</m:fname><m:e>${run('x')}</m:e></m:func>`,
    '<mi>cos</mi><mo>\u2061</mo><mi>x</mi>',
  ],
  [
    'an arrow above',
    `<m:acc>${said('accpr', 'chr', '⃗')}<m:e>${run('v')}</m:e></m:acc>`,
    '<mover accent="true"><mi>v</mi><mo>⃗</mo></mover>',
  ],
  ['a line above', `<m:bar><m:e>${run('x')}</m:e></m:bar>`, '<mover accent="true"><mi>x</mi><mo>‾</mo></mover>'],
  [
    'a line below',
    `<m:bar>${said('barpr', 'pos', 'bot')}<m:e>${run('x')}</m:e></m:bar>`,
    '<munder><mi>x</mi><mo stretchy="true">_</mo></munder>',
  ],
  ['a limit', `<m:limlow><m:e>${run('lim', 'p')}</m:e><m:lim>${run('n')}</m:lim></m:limlow>`, '<munder><mi>lim</mi><mi>n</mi></munder>'],
  ['a brace below', `<m:groupchr><m:e>${run('x')}</m:e></m:groupchr>`, '<munder><mi>x</mi><mo>⏟</mo></munder>'],
  [
    'a matrix',
    `<m:m><m:mr><m:e>${run('1')}</m:e><m:e>${run('0')}</m:e></m:mr><m:mr><m:e>${run('0')}</m:e><m:e>${run('1')}</m:e></m:mr></m:m>`,
    '<mtable><mtr><mtd><mn>1</mn></mtd><mtd><mn>0</mn></mtd></mtr><mtr><mtd><mn>0</mn></mtd><mtd><mn>1</mn></mtd></mtr></mtable>',
  ],
  [
    'equations one below the other',
    `<m:eqarr><m:e>${run('x')}${run('=')}${run('1')}</m:e><m:e>${run('y')}</m:e></m:eqarr>`,
    '<mtable><mtr><mtd><mrow><mi>x</mi><mo>=</mo><mn>1</mn></mrow></mtd></mtr><mtr><mtd><mi>y</mi></mtd></mtr></mtable>',
  ],
  ['what is not known, by what is in it', `<m:borderbox><m:e>${run('x')}</m:e></m:borderbox>`, '<mi>x</mi>'],
])('reads %s', (_, omml, made) => {
  expect(mathMl(omml)).toBe(made)
})

test('takes the equation that Office hides in a comment, and leaves the picture of it', () => {
  const pasted =
    '<p>So <!--[if gte msEquation 12]><m:oMath><m:r><m:rPr><m:sty m:val="p"/></m:rPr><m:t>x</m:t></m:r></m:oMath><![endif]-->' +
    '<![if !msEquation]><img src="x.png"><![endif]>.</p>'
  const body = document.createElement('div')
  body.innerHTML = shownFormulas(pasted)
  formulas(body)
  expect(body.querySelector('img')).toBeNull()
  expect(body.querySelector('math')?.textContent).toBe('x')
  expect(body.textContent).toBe('So x.')
})

test('keeps of MathML what rich text keeps, whatever prefix it comes with', () => {
  const body = document.createElement('div')
  body.innerHTML =
    '<mml:math onclick="run()" display="block"><mml:semantics><mml:mi class="big">x</mml:mi>' +
    '<mml:annotation encoding="application/x-tex">x</mml:annotation><mml:annotation encoding="text/plain">ex</mml:annotation>' +
    '</mml:semantics></mml:math>'
  formulas(body)
  const math = body.querySelector('math')
  expect(math?.getAttributeNames()).toEqual(['display'])
  expect(math?.querySelector('mi')?.attributes).toHaveLength(0)
  expect([...(math?.querySelectorAll('annotation') ?? [])].map((one) => one.getAttribute('encoding'))).toEqual(['application/x-tex'])
})
