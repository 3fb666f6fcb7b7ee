/** The first numbered name that is free, such as t4. */
export function freshId(taken: { id: string }[], prefix: string): string {
  for (let i = 1; ; i++) if (!taken.some((one) => one.id === `${prefix}${i}`)) return `${prefix}${i}`
}
