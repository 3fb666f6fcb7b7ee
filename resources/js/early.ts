import { askEarly } from './api/early'
import { get } from './api/get'
import { isPublic } from './lib/isPublic'
import { paramsOf, screens } from './screens'

// The first script of the page: the code of the screen, and what it reads, are asked for while the rest of the application is on its way.
for (const screen of screens) {
  const params = paramsOf(screen, location.pathname)
  if (params === null) continue
  if (!isPublic(location.pathname))
    for (const path of ['/me', ...screen.reads(params, new URLSearchParams(location.search))]) askEarly(path, get)
  screen.load().catch(() => undefined) // who shows it tries again, and says so
  break
}
