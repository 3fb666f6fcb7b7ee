import type { Column, SheetMapping, TableCorrections, TableMapping } from '@/api/tables'

/** What a cell should say; null takes the correction back. Parts without anything in them go. */
export function withCell(now: TableCorrections, address: string, text: string | null): TableCorrections {
  const cells = { ...now.cells }
  if (text === null) delete cells[address]
  else cells[address] = text
  return settled({ ...now, cells })
}

export function withSkipped(now: TableCorrections, rows: string[], isSkipped: boolean): TableCorrections {
  const others = (now.skipped ?? []).filter((row) => !rows.includes(row))
  return settled({ ...now, skipped: isSkipped ? [...others, ...rows] : others })
}

export function withMapping(now: TableCorrections, mapping: TableMapping | null): TableCorrections {
  const { mapping: _, ...rest } = now
  return mapping ? { ...rest, mapping } : rest
}

function settled(corrections: TableCorrections): TableCorrections {
  const { cells, skipped, ...rest } = corrections
  return {
    ...rest,
    ...(cells && Object.keys(cells).length > 0 ? { cells } : {}),
    ...(skipped && skipped.length > 0 ? { skipped } : {}),
  }
}

export function withSheet(mapping: TableMapping, at: number, change: Partial<SheetMapping>): TableMapping {
  return { ...mapping, sheets: mapping.sheets.map((sheet, i) => (i === at ? { ...sheet, ...change } : sheet)) }
}

/** Meanings of which a table has one column at most: another one that had it is not read any more. */
const once = [
  'identifier',
  'kind',
  'title',
  'question',
  'passage',
  'options',
  'tolerance',
  'unit',
  'points',
  'feedback',
  'difficulty',
  'level',
]
const ofOption = ['mark', 'option feedback']

/** A column with another meaning. Marks and feedback belong to the option before them, options are counted as they stand. */
export function withMeaning(sheet: SheetMapping, column: string, is: string): SheetMapping {
  let option = 0
  return {
    ...sheet,
    columns: sheet.columns.map(({ option: _, ...one }): Column => {
      const means = one.column === column ? is : one.is === is && once.includes(is) ? 'ignored' : one.is
      if (means === 'option') option += 1
      const belongs = means === 'option' || (ofOption.includes(means) && option > 0 && sheet.rows === 'question')
      return { ...one, is: means, ...(belongs ? { option } : {}) }
    }),
  }
}
