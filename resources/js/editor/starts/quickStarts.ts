import type { Part, QuestionJson, Rule } from '@/api/question'
import { freshPart, freshQuestion } from '@/editor/fresh'
import { texts } from '@/messages'

const rows = (n: number, letter: string) => Array.from({ length: n }, (_, i) => ({ id: `${letter}${i + 1}`, html: '' }))
const settings = (part: Part, more: Record<string, unknown>): Part => ({ ...part, settings: { ...part.settings, ...more } })
const part = (kind: string, edit: (part: Part) => Part = (one) => one, taken: string[] = []): Part => {
  const fresh = freshPart(kind, taken)
  if (!fresh) throw new Error(`There is no kind ${kind}.`)
  return edit(fresh)
}
const whole = (kind: string, edit: (part: Part) => Part): QuestionJson => {
  const question = freshQuestion(kind)
  return { ...question, parts: question.parts.map(edit) }
}

/** Beginnings of the commonest questions, each with its key on the keyboard. */
export const quickStarts: { id: string; key: string; make: () => QuestionJson }[] = [
  { id: 'four', key: 'a', make: () => freshQuestion('choice') },
  {
    id: 'several',
    key: 'b',
    make: () =>
      whole('choice', (one) => ({
        ...settings(one, { options: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, html: '' })), max: null }),
        key: {
          rules: ['a', 'b'].map((on, i) => ({ id: `r${i + 1}`, on, credit: '1' })),
          default: '0',
        },
        points: 2,
        scoring: { scheme: 'each' },
      })),
  },
  {
    id: 'judge',
    key: 'c',
    make: () =>
      whole('choice', (one) =>
        settings(one, {
          options: [
            { id: 'a', html: `<p>${texts.starts.true}</p>` },
            { id: 'b', html: `<p>${texts.starts.false}</p>` },
          ],
          layout: 'row',
          labels: 'none',
          shuffle: false,
        }),
      ),
  },
  {
    id: 'two',
    key: 'd',
    make: () => {
      const first = part('text')
      const second = part('text', (one) => ({ ...one, key: { rules: [], default: '0' } }), [first.id])
      return {
        ...freshQuestion(''),
        body: `<p></p><p>1. <span data-part="${first.id}"></span></p><p>2. <span data-part="${second.id}"></span></p>`,
        parts: [first, second],
        scoring: { once: [[first.id, second.id]] },
      }
    },
  },
  {
    id: 'gaps',
    key: 'e',
    make: () => {
      const first = part('text')
      const second = part('text', (one) => one, [first.id])
      return {
        ...freshQuestion(''),
        body: `<p><span data-part="${first.id}"></span> … <span data-part="${second.id}"></span></p>`,
        parts: [first, second],
      }
    },
  },
  {
    id: 'estimate',
    key: 'f',
    make: () =>
      whole('number', (one) => ({
        ...one,
        key: {
          ...one.key,
          rules: [{ id: 'r1', on: { answer: 'value', value: '', tolerance: { kind: 'absolute', width: '0.1' } }, credit: '1' } as Rule],
        },
      })),
  },
  {
    id: 'pairs',
    key: 'g',
    make: () =>
      whole('match', (one) => ({
        ...settings(one, {
          left: rows(4, 'l').map((row) => ({ ...row, uses: 1 })),
          right: rows(4, 'r').map((row) => ({ ...row, uses: 1 })),
        }),
        key: { rules: [1, 2, 3, 4].map((n) => ({ id: `k${n}`, on: [`l${n}`, `r${n}`], credit: '1' })), default: '0' },
      })),
  },
  {
    id: 'five',
    key: 'h',
    make: () =>
      whole('order', (one) => ({
        ...settings(one, { items: rows(5, 'i') }),
        key: { rules: [{ id: 'r1', on: [1, 2, 3, 4, 5].map((n) => [`i${n}`]), credit: '1' }] },
      })),
  },
  {
    id: 'sort',
    key: 'i',
    make: () =>
      whole('group', (one) => ({
        ...settings(one, { items: rows(6, 'i') }),
        key: { rules: [1, 2, 3, 4, 5, 6].map((n) => ({ id: `k${n}`, on: [`i${n}`, n < 4 ? 'g1' : 'g2'], credit: '1' })), default: '0' },
      })),
  },
  {
    id: 'agree',
    key: 'j',
    make: () =>
      whole('survey', (one) =>
        settings(one, { options: [], scale: { from: 1, to: 5, captions: { from: texts.starts.agreeFrom, to: texts.starts.agreeTo } } }),
      ),
  },
  { id: 'page', key: 'p', make: () => freshQuestion('') },
]
