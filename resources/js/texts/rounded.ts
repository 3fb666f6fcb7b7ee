/** Formats a number for people, with at most two decimals. */
export const rounded = (value: number): string => value.toLocaleString('en-GB', { maximumFractionDigits: 2, useGrouping: false })
