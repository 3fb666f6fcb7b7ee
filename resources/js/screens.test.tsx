import { expect, it } from 'vitest'
import { paramsOf, screens } from './screens'

const found = (pathname: string) => {
  for (const screen of screens) {
    const params = paramsOf(screen, pathname)
    if (params) return [screen.path, params] as const
  }
  return null
}

it.each([
  ['/banks/hazards', '/banks/:slug', { slug: 'hazards' }],
  ['/banks/hazards/', '/banks/:slug', { slug: 'hazards' }],
  ['/banks/hazards/write', '/banks/:slug/write', { slug: 'hazards' }],
  ['/assessments/7/entries/9', '/assessments/:id/entries/:entry', { id: '7', entry: '9' }],
  ['/help/formats', '/help/formats', {}],
  ['/help/keyboard', '/help/:section', { section: 'keyboard' }],
  ['/banks/', '/banks', {}],
])('%s is %s', (pathname, path, params) => {
  expect(found(pathname)).toEqual([path, params])
})

it.each(['/', '/nowhere', '/banks//write', '/banks/a/b/c'])('%s is no screen', (pathname) => {
  expect(found(pathname)).toBeNull()
})

it('knows what a bank reads first, by its address', () => {
  const bank = screens.find((screen) => screen.path === '/banks/:slug')
  expect(bank?.reads({ slug: 'hazards' }, new URLSearchParams('words=ice&question=7&kind=text'))).toEqual([
    '/banks/hazards',
    '/banks/hazards/questions?words=ice&kind=text',
    '/banks/hazards/trees',
    '/tray',
  ])
})
