import { expect, test } from 'vitest'
import type { BlueprintValue } from '@/api/blueprints'
import { texts } from '@/messages'
import { ATTRIBUTES, lineTitle, MISSING, noneTitle } from './lineTitle'

const value = (value: string, title = ''): BlueprintValue => ({ value, title }) as BlueprintValue

test.each([
  ['the title that its author gave', 'difficulty', value('3', 'Hard ones'), 'Hard ones'],
  ['the name of a kind', 'kind', value('choice'), 'Choice'],
  ['the points', 'points', value('1'), '1 point'],
  ['several points', 'points', value('2.5'), '2.5 points'],
  ['its word, with a capital', 'tag', value('field work'), 'Field work'],
  ['its word, where no kind is called so', 'kind', value('riddle'), 'Riddle'],
])('a line is called by %s', (_, of, given, title) => {
  expect(lineTitle(of, given)).toBe(title)
})

test('what a question may lack has a name of its own for lacking it', () => {
  const other = texts.blueprints.none.other
  for (const name of MISSING) {
    expect(ATTRIBUTES as readonly string[]).toContain(name)
    expect(noneTitle(name), name).not.toBe('')
  }
  expect(noneTitle('no such attribute')).toBe(other)
})
