import { describe, expect, it } from 'vitest'
import type { FormEntry, FormSet } from '@/api/paper'
import { byMaster, keysAsCsv, keyText, lettersOf } from './byMaster'

const entry = (master: number | null, number: number, key: Record<string, string[]>, question = `q${master}`): FormEntry => ({
  entry: `e${master}`,
  question,
  number,
  master,
  seed: 1,
  options: {},
  key,
  points: 1,
})
const form = (letter: string, entries: FormEntry[], balance: Record<string, number>) => ({
  letter,
  points: 1,
  minutes: null,
  difficulty: null,
  balance,
  entries,
})
const set = {
  forms: [
    form('A', [entry(2, 1, { p1: ['B'] }), entry(null, 0, {}), entry(1, 2, { p1: ['A', 'C'], p2: ['D'] })], { B: 1, AA: 1 }),
    form('B', [entry(1, 1, { p1: ['B', 'C'], p2: ['A'] }), entry(2, 2, {})], { A: 1 }),
  ],
} as unknown as FormSet

describe('the table of keys', () => {
  it('has the questions in the order of the assessment, pages of text left out', () => {
    expect(byMaster(set).map(({ master, entries }) => [master, entries.A?.number, entries.B?.number])).toEqual([
      [1, 2, 1],
      [2, 1, 2],
    ])
  })

  it('says the letters of several right options and of several parts', () => {
    expect(byMaster(set).map(({ entries }) => Object.values(entries).map(keyText))).toEqual([
      ['A, C; D', 'B, C; A'],
      ['B', ''],
    ])
  })

  it('has every letter that is right anywhere, long ones last', () => {
    expect(lettersOf(set.forms)).toEqual(['A', 'B', 'AA'])
  })

  it('is a file for spreadsheets in which nothing is a formula', () => {
    const csv = keysAsCsv(set, 'Question', (one) => (one.question === 'q1' ? '=1+1, "so"' : 'Plain'))
    expect(csv.split('\r\n')).toEqual([',Question,A #,A,B #,B', `1,"'=1+1, ""so""",2,"A, C; D",1,"B, C; A"`, '2,Plain,1,B,2,'])
  })
})
