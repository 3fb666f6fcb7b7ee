import { expect, it } from 'vitest'
import { traceWords } from './traceWords'

it.each([
  [{ step: 'rule.matched', rule: 'A', credit: '1/3' }, 'A earns 33.3%'],
  [{ step: 'answer.normalised', before: 'a', after: 'a' }, 'Compared as typed'],
  [{ step: 'answer.normalised', before: 'A', after: 'a' }, 'Compared as “a”'],
  [{ step: 'amend.found', typed: '', credit: '1/2' }, 'Error found, not corrected: 50%'],
  [{ step: 'amends.counted', n: 1, x: 2, credit: '0' }, '1 error, 2 false alarms: 0%'],
  [{ step: 'credit.clamped', from: '-1/2', to: '0' }, 'Limited: -50% becomes 0%'],
  [{ step: 'points.scaled', from: '2', to: '5/2' }, 'Out of 2.5 instead of 2'],
  [{ step: 'parts.all_or_nothing', right: false }, 'All or nothing: not every part is right'],
  [{ step: 'pairs.judged' }, ''],
  [{ step: 'of.a.later.version' }, undefined],
])('says %o', (step, said) => expect(traceWords(step)).toBe(said))
