import { expect, it } from 'vitest'
import type { FileParts } from '@/api/intakes'
import { broughtBy, byPlace, everything, readInAll } from './parts'

const part = (id: string, questions: number, needs: string[] = [], path: string[] = []) => ({
  id,
  kind: 'quiz' as const,
  title: `Quiz ${id}`,
  questions,
  path,
  needs,
})
const file: FileParts = {
  id: 'f',
  name: 'course.zip',
  parts: [part('bank', 30), part('a', 0, ['bank']), part('b', 5, [], ['Week 2'])],
  others: [],
}

it('brings along what a ticked part asks of another, unless that is ticked itself', () => {
  expect([...broughtBy(file, ['a', 'b'])]).toEqual([['bank', ['Quiz a']]])
  expect([...broughtBy(file, ['a', 'bank'])]).toEqual([])
})

it('counts what is read in the end', () => {
  expect(readInAll([file], { f: ['a'] })).toEqual({ parts: 2, questions: 30 })
  expect(readInAll([file], everything([file]))).toEqual({ parts: 3, questions: 35 })
  expect(readInAll([file], {})).toEqual({ parts: 0, questions: 0 })
})

it('keeps parts of a course under their places', () => {
  expect(byPlace(file.parts).map(([place, parts]) => [place, parts.length])).toEqual([
    ['', 2],
    ['Week 2', 1],
  ])
})
