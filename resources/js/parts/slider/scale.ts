export type Fraction = [bigint, bigint]

/** An exact number as the core writes it: a whole, a decimal, or a fraction. */
export function fraction(text: string): Fraction {
  const match = /^(-?\d+)(?:\.(\d+)|\/(\d+))?$/.exec(text.trim())
  if (!match) return [0n, 1n]
  if (match[3]) return [BigInt(match[1] ?? 0), BigInt(match[3])]
  const decimals = match[2] ?? ''
  return [BigInt(`${match[1]}${decimals}`), 10n ** BigInt(decimals.length)]
}

const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? (a < 0n ? -a : a) : gcd(b, a % b))

/** The value so many steps from the beginning, written exactly. */
export function valueAt(from: string, step: string, i: number): string {
  const [a, b] = fraction(from)
  const [c, d] = fraction(step)
  const [top, bottom] = [a * d + BigInt(i) * c * b, b * d]
  const by = gcd(top, bottom) || 1n
  return bottom / by === 1n ? String(top / by) : `${top / by}/${bottom / by}`
}

const near = (text: string) => {
  const [top, bottom] = fraction(text)
  return Number(top) / Number(bottom)
}

export const stepsOf = (from: string, to: string, step: string) => Math.max(0, Math.floor((near(to) - near(from)) / near(step) + 1e-9))
export const stepOf = (from: string, step: string, value: string) => Math.round((near(value) - near(from)) / near(step))

/** How a value is shown: as a decimal where it is one. */
export const shownValue = (text: string) => (/\//.test(text) ? String(Number(near(text).toFixed(4))) : text)
