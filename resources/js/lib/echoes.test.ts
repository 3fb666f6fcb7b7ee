import { describe, expect, it } from 'vitest'
import { Echoes } from './echoes'

/** Each step is what is typed, or what arrives with whether it must be shown. */
const walk = (...steps: Array<string | [arrives: string, shown: boolean]>) => {
  const echoes = new Echoes('')
  for (const step of steps) {
    if (typeof step === 'string') echoes.say(step)
    else expect([step[0], echoes.takes(step[0])]).toEqual(step)
  }
}

describe('what comes back while typing goes on', () => {
  it('is not shown again', () => walk('a', 'ab', 'abc', ['a', false], ['ab', false], ['abc', false]))
  it('may skip some', () => walk('a', 'ab', 'abc', ['ab', false], 'abcd', ['abc', false], ['abcd', false]))
  it('may be the same as before', () => walk('a', ['a', false], ['a', false]))
})

describe('what comes from elsewhere', () => {
  it('is shown', () => walk('a', ['a', false], ['z', true], ['z', false]))
  it('is shown when it was typed once, and is taken back', () => walk('a', 'ab', ['ab', false], ['a', true]))
  it('ends the wait for what was typed before it', () => walk('a', 'ab', ['z', true], ['ab', true]))
})
