import { describe, expect, it } from 'vitest'
import { slug } from '@/lib/helpPages'
import { helpFor, titles } from '@/shell/pageFor'
import { search, sections } from './guide'

const guide = '# Start\n\nKeys.\n\n## Writing\n\nType a *stem*.\n\n![A picture](../a.png)\n\n### Gaps\n\n- one\n- two gaps\n'

describe('the guide', () => {
  it('is cut at its headings, without pictures', () => {
    expect(sections(guide).map(({ id, title, level, text }) => [id, title, level, text])).toEqual([
      ['start', 'Start', 2, 'Keys.'],
      ['writing', 'Writing', 2, 'Type a stem.'],
      ['gaps', 'Gaps', 3, 'one two gaps'],
    ])
  })

  it('is found by all the words that are typed', () => {
    const all = sections(guide)
    expect(search(all, 'gaps TWO').map(({ section }) => section.id)).toEqual(['gaps'])
    expect(search(all, 'writing').map(({ section }) => section.id)).toEqual(['writing'])
    expect(search(all, 'stem gaps')).toEqual([])
  })

  it('has a page for every screen', () => {
    const ids = sections().map((section) => section.id)
    for (const title of titles) expect(ids).toContain(slug(title))
    expect(helpFor('/banks/rocks/write')).toBe('/help/writing')
    expect(helpFor('/nowhere')).toBe('/help')
  })
})
