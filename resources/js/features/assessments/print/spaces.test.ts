import { describe, expect, it } from 'vitest'
import { spaceOf, withSpace } from './spaces'

describe('the settings of one question on paper', () => {
  it('changes its own and leaves those of the others', () => {
    const settings = {
      columns: 2,
      spaces: [
        { entry: 'e1', as: 'box', lines: 3 },
        { entry: 'e2', break: true },
      ],
    }
    expect(withSpace(settings, 'e2', { as: 'lines', lines: 4 })).toEqual({
      columns: 2,
      spaces: [
        { entry: 'e1', as: 'box', lines: 3 },
        { entry: 'e2', break: true, as: 'lines', lines: 4 },
      ],
    })
    expect(spaceOf(settings, 'e3')).toBeUndefined()
  })

  it('drops its space and keeps its page break, and nothing where nothing is set', () => {
    const settings = { spaces: [{ entry: 'e1', as: 'box', lines: 3, break: true }] }
    const broken = withSpace(settings, 'e1', null)
    expect(broken.spaces).toEqual([{ entry: 'e1', break: true }])
    expect(withSpace(broken, 'e1', { break: false }).spaces).toEqual([])
  })
})
