/** Elements that only say how words look or what they are: which of two stands within the other means nothing. */
const MARKS = new Set(['strong', 'em', 'u', 's', 'sub', 'sup', 'code', 'a'])
/** Holders of attributes, such as the language of some words. */
const isMark = (element: Element) =>
  MARKS.has(element.localName) || (element.localName === 'span' && (element.hasAttribute('lang') || element.hasAttribute('dir')))

type Run = { words: string; marks: string }

/** What a text comes to, as one string: its blocks, and in each the runs of words under the same marks. Two texts that mean the same are equal. */
export function runsOf(html: string): string {
  const { body } = new DOMParser().parseFromString(html, 'text/html')
  for (const item of body.querySelectorAll('li > p:only-child')) item.replaceWith(...item.childNodes)
  for (const block of body.querySelectorAll('p:empty')) block.remove()
  const inline = [...body.childNodes].every((node) => !(node instanceof Element) || !isBlock(node))
  return inline ? `<p>${contentOf(body)}</p>` : contentOf(body)
}

const isBlock = (element: Element) => /^(?:p|div|h[1-6r]|ul|ol|li|pre|blockquote|table|figure|figcaption)$/.test(element.localName)

function contentOf(parent: Element): string {
  const runs: Run[] = []
  collect(parent, [], runs, parent.closest('pre') !== null)
  const joined: Run[] = []
  for (const run of runs) {
    const last = joined.at(-1)
    if (last?.marks === run.marks) last.words += run.words
    else joined.push({ ...run })
  }
  const said = joined.map(({ words, marks }) => (marks === '' ? words : `[${marks}|${words}]`)).join('')
  return parent.closest('pre')
    ? said
    : said
        .replace(/\s+/g, ' ')
        .replace(/ ?(<\/?(?:p|li|ul|ol|div|h[3-5r]|figure|figcaption|blockquote)\b[^>]*>) ?/g, '$1')
        .trim()
}

function collect(parent: Node, marks: string[], runs: Run[], isKept: boolean) {
  for (const node of parent.childNodes) {
    if (node.nodeType === Node.TEXT_NODE) runs.push({ words: escaped(node.textContent ?? ''), marks: marks.join(' ') })
    else if (node instanceof Element && isMark(node)) collect(node, [...marks, opening(node)].sort(), runs, isKept)
    else if (node instanceof Element) runs.push({ words: wholeOf(node), marks: isBlock(node) ? '' : marks.join(' ') })
  }
}

/** Everything else as it stands; blocks by what is in them. */
function wholeOf(element: Element): string {
  return isBlock(element) && element.localName !== 'table'
    ? `<${opening(element)}>${contentOf(element)}</${element.localName}>`
    : element.outerHTML
}

const opening = (element: Element): string =>
  [element.localName, ...[...element.attributes].map(({ name, value }) => `${name}="${value}"`).sort()].join(' ')

const escaped = (words: string): string => words.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;')
