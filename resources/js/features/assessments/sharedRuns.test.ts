import { expect, test } from 'vitest'
import { sharedRuns } from './sharedRuns'

const of = (sections: string[][]) =>
  sharedRuns(
    sections.map((section) => section.map((ids) => (ids === '-' ? null : [...ids].map((id) => ({ id, title: id.toUpperCase() }))))),
  ).map((runs) => runs.map(({ id, to, again }) => (again === null ? `${id}-${to}` : `${id}<${again}`)).join(' '))

// The same table as core/tests/Stimulus/StimulusTest.php has for the printed sheet.
test.each([
  [[['a', 'a', 'a']], ['a-3', '', '']],
  [[['a', 'ab', 'b']], ['a-2', 'b-3', '']],
  [[['a', '', 'a', 'a']], ['a-1', '', 'a<1', '']],
  [
    [['a'], ['a', '']],
    ['a-1', 'a<1', ''],
  ],
  [
    [['', ''], []],
    ['', ''],
  ],
  [[['a', '-', 'a']], ['a-1', '', 'a<1']],
  [[['-', 'a', 'a']], ['', 'a-2', '']],
])('stands once above the neighbours that share it', (sections, expected) => {
  expect(of(sections)).toEqual(expected)
})
