/**
 * The browser's store, read and written safely: it may be full, forbidden, or hold what an older version of the application or
 * somebody with the developer tools left there.
 */
type Area = 'local' | 'session'
const area = (which: Area) => (which === 'local' ? localStorage : sessionStorage)

/** The text under a key, or null. */
export function storedText(key: string, which: Area = 'local'): string | null {
  try {
    return area(which).getItem(key)
  } catch {
    return null
  }
}

/** @return whether it was kept */
export function storeText(key: string, text: string, which: Area = 'local'): boolean {
  try {
    area(which).setItem(key, text)
    return true
  } catch {
    return false
  }
}

export function removeStored(key: string, which: Area = 'local') {
  try {
    area(which).removeItem(key)
  } catch {
    // Nothing was kept there either.
  }
}

/** The value under a key if it is one that `is` accepts, else the fallback. */
export function storedValue<Value>(key: string, is: (value: unknown) => value is Value, fallback: Value): Value {
  try {
    const value: unknown = JSON.parse(storedText(key) ?? 'null')
    return is(value) ? value : fallback
  } catch {
    return fallback
  }
}

export const storeValue = (key: string, value: unknown) => storeText(key, JSON.stringify(value))

export const isTexts = (value: unknown): value is string[] => Array.isArray(value) && value.every((one) => typeof one === 'string')

export const isNumbers = (value: unknown): value is Record<string, number> =>
  typeof value === 'object' && value !== null && Object.values(value).every((one) => typeof one === 'number')
