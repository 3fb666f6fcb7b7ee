/** The pieces of a text in their order, with their words. */
export function piecesOf(html: string): { id: string; words: string }[] {
  if (!html.includes('data-piece')) return []
  const found = [...new DOMParser().parseFromString(html, 'text/html').querySelectorAll<HTMLElement>('[data-piece]')]
  const pieces: { id: string; words: string }[] = []
  for (const one of found) {
    const id = one.dataset.piece ?? ''
    const known = pieces.find((piece) => piece.id === id)
    // A piece that is partly bold is two elements of one name.
    if (known) known.words += one.textContent ?? ''
    else pieces.push({ id, words: one.textContent ?? '' })
  }
  return pieces
}
