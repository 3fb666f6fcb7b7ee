import { expect, it } from 'vitest'
import { type Draft, planOf, previewed } from './plan'

const draft: Draft = {
  isNew: false,
  into: 'next',
  name: 'New',
  folder: ' 2027 ›  Autumn › ',
  what: 'chosen',
  folders: ['f1'],
  assessments: ['a1'],
  how: 'copies',
  topics: { 'Earth › Rocks': 'Geology', Maps: 'Maps', Old: ' ' },
  frameworks: { one: 'two', three: '', four: 'four' },
}

it('says only what is to be otherwise there', () => {
  expect(planOf(draft, 'q=slate')).toEqual({
    into: 'next',
    folders: ['f1'],
    assessments: ['a1'],
    how: 'copies',
    folder: ['2027', 'Autumn'],
    topics: [
      { from: ['Earth', 'Rocks'], to: ['Geology'] },
      { from: ['Old'], to: null },
    ],
    frameworks: { one: 'two', three: null },
  })
})

it('takes all, or what the list showed, in the place of folders', () => {
  expect(planOf({ ...draft, what: 'everything' }, 'q=slate')).toMatchObject({ filter: '', folders: [] })
  expect(planOf({ ...draft, what: 'shown' }, 'q=slate')).toMatchObject({ filter: 'q=slate', folders: [] })
})

it('previews without the bank that is still to be made', () => {
  const plan = planOf({ ...draft, isNew: true }, '')
  expect(plan).toMatchObject({ new_bank: 'New' })
  expect(previewed(plan)).not.toHaveProperty('new_bank')
})
