/** Words as rich text and back, for fields that hold one plain line. */
export const toHtml = (words: string): string =>
  words === '' ? '' : `<p>${words.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;')}</p>`

/** What a rich text says; a picture says its alternative text. */
export function toWords(html: string): string {
  const { body } = new DOMParser().parseFromString(html, 'text/html')
  for (const picture of body.querySelectorAll('img')) picture.replaceWith(picture.alt)
  return body.textContent ?? ''
}

/** Credit as a percentage typed by an author, kept as an exact fraction. */
export function creditFromPercent(typed: string): string {
  const match = /^\s*(-?\d{1,4})(?:[.,](\d{1,4}))?\s*%?\s*$/.exec(typed)
  if (!match) return typed
  const decimals = match[2] ?? ''
  const top = BigInt(`${match[1]}${decimals}`)
  const bottom = 100n * 10n ** BigInt(decimals.length)
  const divisor = gcd(top < 0n ? -top : top, bottom)
  return bottom / divisor === 1n ? `${top / divisor}` : `${top / divisor}/${bottom / divisor}`
}

export function percentFromCredit(credit: string): string {
  const match = /^(-?\d+)(?:\/(\d+)|\.(\d+))?$/.exec(credit)
  if (!match) return credit
  const value = match[2] ? (Number(match[1]) / Number(match[2])) * 100 : Number(credit) * 100
  return Number.isInteger(value) ? String(value) : String(Number(value.toFixed(2)))
}

function gcd(a: bigint, b: bigint): bigint {
  return b === 0n ? (a === 0n ? 1n : a) : gcd(b, a % b)
}
