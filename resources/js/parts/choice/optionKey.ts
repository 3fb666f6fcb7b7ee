export type Option = { id: string; html: string; fixed?: boolean }
export type Settings = {
  options: Option[]
  min: number
  max: number | null
  layout: string
  labels: string
  shuffle: boolean
}

/** The first letter or numbered name that is free. */
export function freshId(taken: { id: string }[], prefix = ''): string {
  for (let i = 0; ; i++) {
    const id = prefix === '' && i < 26 ? String.fromCharCode(97 + i) : `${prefix || 'o'}${i + 1}`
    if (!taken.some((one) => one.id === id)) return id
  }
}
