/** Whether an exact share such as "1/2", "0.25" or "-0" is above zero; mirrors Numbers\\Exact for its sign. */
export function isPositive(credit: string | undefined): boolean {
  const above = (credit ?? '').trim().split('/')[0] ?? ''
  return !above.startsWith('-') && /[1-9]/.test(above.split(/e/i)[0] ?? '')
}

export const isZero = (credit: string | undefined): boolean => !/[1-9]/.test(((credit ?? '').split('/')[0] ?? '').split(/e/i)[0] ?? '')
