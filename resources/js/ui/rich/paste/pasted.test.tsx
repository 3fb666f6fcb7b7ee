import { generateHTML, generateJSON } from '@tiptap/core'
import { describe, expect, it } from 'vitest'
import { extensions } from '../../editorExtensions'
import { readPasted } from './pasted'
import calc from './recorded/calc.html?raw'
import writer from './recorded/writer.html?raw'

const known = extensions({ part: (id) => id })
/** What the editor makes of a paste. */
const taken = (html: string): string =>
  generateHTML(generateJSON(readPasted(html)?.body.innerHTML ?? '', known), known).replace(/\s+/g, ' ')

describe('recordings of what programs really copy', () => {
  it('takes a page from LibreOffice Writer 7.4', () => {
    const html = taken(writer)
    expect(html).toContain('<h3>Tides at Saltwick</h3>')
    expect(html).toContain('The <strong>highest</strong> tide is called a <em>spring tide</em>; <u>neaps</u> are <s>larger</s> smaller.')
    expect(html).toContain('H<sub>2</sub>O, area is m<sup>2</sup>')
    expect(html).toContain('<a href="https://ground.example/tides">more on tides</a>')
    expect(html).toContain('<ul><li><p>Sun</p><ul><li><p>weaker</p></li></ul></li><li><p>Moon</p></li></ul>')
    expect(html).toContain('<ol><li><p>First</p></li><li><p>Second</p></li></ol>')
    expect(html).toContain('<tr><th>Day</th><th>Height (m)</th></tr><tr><td>Monday</td><td>4.1</td></tr>')
    expect(html).toContain('<blockquote><p>Quoted.</p></blockquote>')
    expect(readPasted(writer)?.leftOut).toEqual({ pictures: 1, homeless: 0, embedded: 0, fields: 0 })
  })

  it('takes cells from LibreOffice Calc 7.4', () => {
    const cells = [
      ['Day', 'Height (m)', 'High'],
      ['Monday', '4.1', 'TRUE'],
      ['Tuesday', '3,9', 'x &lt; y'],
    ]
    const rows = cells.map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`).join('')
    expect(taken(calc)).toBe(`<table><tbody>${rows}</tbody></table>`)
  })
})

describe('shapes that editors are documented to copy', () => {
  const item = (level: number, sign: string, words: string) =>
    `<p class="MsoListParagraph" style="mso-list:l0 level${level} lfo1"><![if !supportLists]><span><span style="mso-list:Ignore">${sign}<span>&nbsp; </span></span></span><![endif]>${words}</p>`

  it.each([
    [
      'lists as paragraphs',
      item(1, '1.', 'a') + item(2, '·', 'b') + item(1, '2.', 'c'),
      '<ol><li><p>a</p><ul><li><p>b</p></li></ul></li><li><p>c</p></li></ol>',
    ],
    [
      'two lists with words between',
      `${item(1, '·', 'a')}<p>x</p>${item(1, '·', 'b')}`,
      '<ul><li><p>a</p></li></ul><p>x</p><ul><li><p>b</p></li></ul>',
    ],
    [
      'marks in styles',
      '<p><span style="font-weight:700">a</span> <span style="font-style:italic">b</span> <span style="vertical-align:super">2</span></p>',
      '<p><strong>a</strong> <em>b</em> <sup>2</sup></p>',
    ],
    [
      'a bold that is none',
      '<b style="font-weight:normal"><p>a <span style="font-weight:bold">b</span></p></b>',
      '<p>a <strong>b</strong></p>',
    ],
    ['our own names in another page', '<p>a<span data-part="p9"></span>b <var data-value="x">c</var></p>', '<p>ab c</p>'],
    ['nothing but rubbish around words', '<style>p{}</style><script>x()</script><!-- c --><o:p></o:p><p>a</p>', '<p>a</p>'],
    ['an anchor without an address', '<p><a name="x">a</a></p>', '<p>a</p>'],
  ])('%s', (_, html, expected) => expect(taken(html)).toBe(expected))

  it('says what it left out', () => {
    const html =
      '<p>a<img src="https://x.example/1.png"><iframe src="https://x.example"></iframe><input value="b"><select><option>c</option></select></p>'
    expect(readPasted(html)?.leftOut).toEqual({ pictures: 1, homeless: 0, embedded: 1, fields: 2 })
    expect(taken(html)).toBe('<p>a</p>')
  })
})

describe('equations', () => {
  const run = (words: string) => `<m:r><m:t>${words}</m:t></m:r>`
  const office = (inside: string) =>
    `<p>So <!--[if gte msEquation 12]><m:oMath>${inside}</m:oMath><![endif]--><![if !msEquation]><img src="file:///C:/image001.png"><![endif]> it is.</p>`
  const mathOf = (html: string) => readPasted(html)?.body.querySelector('math')?.innerHTML

  it.each([
    ['a fraction', `<m:f><m:num>${run('m')}</m:num><m:den>${run('V')}</m:den></m:f>`, '<mfrac><mi>m</mi><mi>V</mi></mfrac>'],
    [
      'a power',
      `<m:sSup><m:e>${run('x')}</m:e><m:sup>${run('2')}</m:sup></m:sSup>${run('+3x')}`,
      '<msup><mi>x</mi><mn>2</mn></msup><mo>+</mo><mn>3</mn><mi>x</mi>',
    ],
    [
      'a root',
      `<m:rad><m:radPr><m:degHide m:val="1"/></m:radPr><m:deg></m:deg><m:e>${run('2')}</m:e></m:rad>`,
      '<msqrt><mn>2</mn></msqrt>',
    ],
    ['a third root', `<m:rad><m:deg>${run('3')}</m:deg><m:e>${run('x')}</m:e></m:rad>`, '<mroot><mi>x</mi><mn>3</mn></mroot>'],
    [
      'a sum',
      `<m:nary><m:naryPr><m:chr m:val="∑"/><m:limLoc m:val="undOvr"/></m:naryPr><m:sub>${run('i=1')}</m:sub><m:sup>${run('n')}</m:sup><m:e>${run('i')}</m:e></m:nary>`,
      '<munderover><mo>∑</mo><mrow><mi>i</mi><mo>=</mo><mn>1</mn></mrow><mi>n</mi></munderover><mi>i</mi>',
    ],
    ['brackets', `<m:d><m:e>${run('a')}</m:e></m:d>`, '<mrow><mo fence="true">(</mo><mi>a</mi><mo fence="true">)</mo></mrow>'],
    [
      'an isotope',
      `<m:sPre><m:sub>${run('6')}</m:sub><m:sup>${run('14')}</m:sup><m:e><m:r><m:rPr><m:sty m:val="p"/></m:rPr><m:t>C</m:t></m:r></m:e></m:sPre>`,
      '<mmultiscripts><mi mathvariant="normal">C</mi><mprescripts></mprescripts><mn>6</mn><mn>14</mn></mmultiscripts>',
    ],
    [
      'a matrix',
      `<m:m><m:mr><m:e>${run('1')}</m:e><m:e>${run('2')}</m:e></m:mr></m:m>`,
      '<mtable><mtr><mtd><mn>1</mn></mtd><mtd><mn>2</mn></mtd></mtr></mtable>',
    ],
  ])('of a word processor: %s', (_, source, expected) => {
    expect(mathOf(office(source))).toBe(expected)
    expect(readPasted(office(source))?.leftOut.pictures).toBe(0)
    expect(taken(office(source))).toContain('So <math>')
  })

  it.each([
    [
      'with what no text keeps',
      '<p><math class="x" onclick="y"><semantics><mi style="z">a</mi><annotation encoding="application/x-tex">a</annotation><annotation-xml encoding="MathML-Content"><ci>a</ci></annotation-xml></semantics></math></p>',
      '<semantics><mi>a</mi><annotation encoding="application/x-tex">a</annotation></semantics>',
    ],
    [
      'with names in front',
      '<p><mml:math><mml:mfrac><mml:mi>a</mml:mi><mml:mn>2</mml:mn></mml:mfrac></mml:math></p>',
      '<mfrac><mi>a</mi><mn>2</mn></mfrac>',
    ],
    ['with elements that are not drawn', '<p><math><menclose notation="box"><mi>a</mi></menclose></math></p>', '<mrow><mi>a</mi></mrow>'],
  ])('of a page: %s', (_, html, expected) => expect(mathOf(html)).toBe(expected))
})

describe('handlers', () => {
  it('are gone before anything else is done', () => {
    const html =
      '<p onclick="x()">a <b style="font-weight:normal" onmouseover="x()"><img src="data:image/png;base64,AAAA" ONERROR="x()"></b></p>'
    expect(readPasted(html)?.body.innerHTML).not.toMatch(/ on\w+=/i)
  })
})

describe('too much', () => {
  it('is refused before it is parsed', () => {
    expect(readPasted(`<p>${'word '.repeat(1_100_000)}</p>`)).toBeNull()
    expect(readPasted(`<p>${'word '.repeat(90_000)}</p>`)).toBeNull()
  })
  it('is not a large picture beside few words', () => {
    expect(readPasted(`<p>a<img src="data:image/png;base64,${'A'.repeat(3_000_000)}"></p>`)?.pictures).toHaveLength(1)
  })
})
