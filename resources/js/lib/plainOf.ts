/** The words of rich text, one line for each block. */
export function plainOf(html: string): string {
  const { body } = new DOMParser().parseFromString(
    html.replace(/<\/(?:p|h[1-6]|li|t[dhr]|blockquote|pre|figcaption)>|<br>/g, '$&\n'),
    'text/html',
  )
  return body.textContent ?? ''
}
