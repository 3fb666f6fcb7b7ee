import { describe, expect, it } from 'vitest'
import { fileSize, list, percent, rounded } from '../format'
import { placesFound, previewSummary } from './acts'
import { changesEverywhere, forQuestions } from './assembly'
import { foundOf, range } from './banks'
import { followed } from './desk'
import { differences, exportHolds, importEffects } from './transfers'

describe('sentences from several messages', () => {
  it.each([
    [range('Points', '', '5'), 'Points: up to 5'],
    [range('Points', '2', ''), 'Points: from 2'],
    [range('Points', '2', '2'), 'Points: 2'],
    [range('Points', '2', '5'), 'Points: 2 to 5'],
    [foundOf(1, 1).join(' '), '1 question'],
    [foundOf(3, 12_000).join(' '), '3 of 12,000 questions'],
    [followed(['Rocks']), '“Rocks” now uses this revision.'],
    [followed(['A', 'B', 'C', 'D']), '4 assessments now use this revision: “A”, “B”, “C” ….'],
    [importEffects({ added: 1, replaced: 2, skipped: 0 }), 'adds 1 question, replaces 2'],
    [importEffects({ added: 0, replaced: 0, skipped: 0 }), ''],
    [exportHolds({ questions: 2, stimuli: 1, media: 3 }), '2 questions, 1 stimulus, 3 pictures and media'],
    [differences([['Points', 3, 2.5]]), 'What differs: points, 0.5 fewer there. The list below says what the desk could not show.'],
    [
      changesEverywhere(['Week 1'], 2),
      'Every assessment that follows the question gets the change: “Week 1”, 2 more that you cannot view.',
    ],
    [forQuestions('Map', 3, 3), 'Map, for 3'],
    [forQuestions('Map', 3, 4), 'Map, for 3 and 4'],
    [forQuestions('Map', 3, 6), 'Map, for 3 to 6'],
    [previewSummary(0, 0, 0), 'Nothing would change.'],
    [previewSummary(1, 3, 1), '1 question changes. 1 already matches. 3 will be skipped.'],
    [placesFound(0, 0, 9, 9), 'No matches.'],
    [placesFound(1, 1, 500, 900), '1 place in 1 question so far; searched 500 of 900.'],
  ])('say %s', (said, expected) => expect(said).toBe(expected))
})

describe('numbers and lists for people', () => {
  it.each([
    [rounded(1234.567), '1234.57'],
    [percent('1/3'), '33.3%'],
    [percent('3/4'), '75%'],
    [fileSize(12), '1 kB'],
    [fileSize(2_340_000), '2.3 MB'],
    [list(['rocks', '', null, 'maps']), 'rocks, maps'],
  ])('are %s', (said, expected) => expect(said).toBe(expected))
})
