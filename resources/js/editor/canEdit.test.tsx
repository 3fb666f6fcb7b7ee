import { describe, expect, it } from 'vitest'
import { canEdit, editable } from '@/ui/canEdit'
import { plainTables } from '@/ui/rich/paste/tables'
import { runsOf } from '@/ui/rich/runsOf'
import { uuid7 } from './fresh'

describe('what the editor gives back as it got it', () => {
  it.each([
    '<p>One <strong>two</strong> <em>three</em></p>',
    '<p>H<sub>2</sub>O and x<sup>2</sup></p><div data-part="p1"></div>',
    '<p>Fill <span data-part="p1"></span> and <var data-value="mass"></var> g.</p>',
    '<ul><li>a</li><li>b</li></ul>',
    '<p>ends in a space </p><p><span data-part="p1"></span></p>',
    '<p lang="fr">éboulis and <span lang="de">Schiefer</span></p>',
    '<h3>Head</h3><blockquote><p>x</p></blockquote><pre><code>y</code></pre>',
    '<p>A bed <img alt="x" data-media="m1" height="4" width="5"></p>',
    '<p>So <math><mfrac><mi>m</mi><mi data-value="v"></mi></mfrac></math> it is.</p>',
    '<table><caption>c</caption><tbody><tr><th scope="row">a</th><td>1</td></tr></tbody></table>',
    '<table><tbody><tr><td data-colwidth="90">1</td><td>2</td></tr></tbody></table>',
    '<figure data-align="center"><img alt="x" data-media="m1" data-view="0 0 9 9 20 20" width="80"><figcaption>Hi <em>you</em></figcaption></figure>',
    '<figure><img alt="x" data-media="m1"></figure><hr><p>b</p>',
    '<p>Listen: <audio data-captions="m2" data-media="m3" data-plays="2" data-transcript="One\ntwo" title="Tides"></audio></p>',
    '<p><video data-media="m3" height="200" title="Tides" width="300"></video></p>',
    '<p>some <em>words with <strong>weight</strong> inside</em></p>',
    '<p><u><s>x</s></u> and <code>a<sub>2</sub></code></p>',
    '<ol start="3" type="a"><li>a</li><li lang="fr">b</li></ol>',
  ])('is edited: %s', (html) => expect(canEdit(html)).toBe(true))

  it.each(['<p>x <ruby>y</ruby></p>', '<p>a <audio data-captions="c1"></audio></p>'])('is kept: %s', (html) =>
    expect(canEdit(html)).toBe(false),
  )
})

describe('a text with a block the editor does not know', () => {
  const strange = '<blockquote><p>a <span class="x"><sup><sub>b</sub></sup></span></p></blockquote>'

  it('keeps that block as one piece, and the others can be edited', () => {
    const shown = editable(`<p>before</p>${strange}<div data-part="p1"></div>`)
    expect(shown).toMatch(/^<p>before<\/p><kept-source token="[0-9a-f]+" source="[^"]+"><\/kept-source><div data-part="p1"><\/div>$/)
  })

  it('is not taken for one when it is pasted', () => {
    expect(canEdit('<kept-source source="<p>x</p>"></kept-source>')).toBe(false)
  })

  it.each(['<p>a</p>', '<p>words that <em>differ</em></p>', '<pre>a  b</pre>'])('is not the same as another: %s', (html) =>
    expect(runsOf(html)).not.toBe(runsOf('<p>words that differ</p><pre>a b</pre>')),
  )
})

describe('new identifiers', () => {
  it('are UUIDs of version 7 that sort by time', () => {
    const [first, second] = [uuid7(1_700_000_000_000), uuid7(1_700_000_000_001)]
    expect(first).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
    expect(first < second).toBe(true)
  })
})

it('takes a table from a spreadsheet as one it can change', () => {
  const pasted =
    '<style>td{}</style><table border="1"><colgroup><col width="64"></colgroup><thead><tr><th class="x"><p>rock</p></th><th>age</th></tr></thead><tbody><tr><td style="a">slate</td><td colspan="1"><p>430</p></td></tr></tbody></table>'
  const plain = plainTables(pasted).replace(/^<style>.*<\/style>/, '')
  expect(canEdit(plain)).toBe(true)
  expect(plain).toContain('<th>rock</th>')
})
