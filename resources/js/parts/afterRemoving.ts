/** Where the focus goes when the row it was in is taken away: to the same button of the row that follows, else to the last button. */
export function afterRemoving(list: HTMLElement | null, row: string, i: number) {
  requestAnimationFrame(() => {
    const rows = list?.querySelectorAll<HTMLElement>(row) ?? []
    const buttons = [...(rows[Math.min(i, rows.length - 1)]?.querySelectorAll<HTMLElement>('button') ?? [])]
    const target = buttons.at(-1) ?? list?.parentElement?.querySelector<HTMLElement>('footer button')
    target?.focus()
  })
}
