import { MathMLToLaTeX } from 'mathml-to-latex'

const VALUE = /QUARRYVALUE(\d+)END/g
/** Names of several letters come as words in braces of their own. */
const WORDS = /\\(?:text|mathrm|textrm|operatorname)\{\s*(QUARRYVALUE\d+END)\s*\}/g

/** The TeX of a formula: what was kept beside it, or as near as its MathML says. */
export function fromMathMl(source: string): string {
  const math = new DOMParser().parseFromString(source, 'text/html').querySelector('math')
  const kept = math?.querySelector('annotation[encoding="application/x-tex"]')?.textContent
  if (!math || kept) return kept ?? ''
  const names: string[] = []
  for (const value of math.querySelectorAll('mi[data-value]')) {
    names.push(value.getAttribute('data-value') ?? '')
    value.textContent = `QUARRYVALUE${names.length - 1}END`
  }
  try {
    const xml = new XMLSerializer().serializeToString(math)
    return MathMLToLaTeX.convert(xml)
      .replace(WORDS, '$1')
      .replace(VALUE, (_, at: string) => `\\val{${names[Number(at)]}}`)
  } catch {
    return ''
  }
}
