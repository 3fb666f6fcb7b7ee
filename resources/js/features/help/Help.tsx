import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, useParams } from 'react-router'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { htmlTree } from '@/ui/htmlTree'
import { RichTree } from '@/ui/RichTree'
import { search, sections } from './guide'

const words = texts.help

/** The user guide, page by page, with search. */
export function Help() {
  const all = useMemo(() => sections(), [])
  const id = useParams().section ?? all[0]?.id ?? ''
  const [typed, setTyped] = useState('')
  const page = all.find((section) => section.id === id) ?? all[0]
  const at = page ? all.indexOf(page) : 0
  const rest = all.slice(at + 1)
  const next = rest.findIndex((section) => section.level <= 2)
  const shown = page ? [page, ...(page.level === 2 ? rest.slice(0, next < 0 ? rest.length : next) : [])] : []
  const found = typed.trim() === '' ? null : search(all, typed)
  const body = useRef<HTMLElement>(null)
  useEffect(() => {
    if (id) body.current?.scrollTo({ top: 0 })
  }, [id])
  return (
    <Shell title={words.title} crumbs={[{ title: words.title }]} search={{ label: words.search, value: typed, onChange: setTyped }}>
      <div className="flex h-full min-h-0 max-md:flex-col">
        <nav
          aria-label={words.contents}
          className="w-64 flex-none overflow-y-auto border-hairline border-r bg-well py-3 max-md:max-h-40 max-md:w-full max-md:border-r-0 max-md:border-b"
        >
          <ul>
            {all.map((section) => {
              const isHere = !found && section.id === id
              return (
                <li key={section.id}>
                  <Link
                    to={`/help/${section.id}`}
                    aria-current={isHere ? 'page' : undefined}
                    onClick={() => setTyped('')}
                    className={`-outline-offset-2 block border-l-3 py-1 pr-3 ${section.level > 2 ? 'pl-8' : 'pl-4'} ${isHere ? 'border-accent bg-paper font-semibold' : 'border-transparent hover:bg-paper'}`}
                  >
                    {section.title}
                  </Link>
                </li>
              )
            })}
          </ul>
          <ul className="mt-3 border-hairline border-t pt-3">
            <li>
              <Link to="/help/formats" className="block px-4 py-1 text-accent hover:bg-paper">
                {texts.frame.formats}
              </Link>
            </li>
            <li>
              <a href="/api/v1/openapi.json" className="block px-4 py-1 text-accent hover:bg-paper">
                {words.api}
              </a>
            </li>
          </ul>
        </nav>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by keyboard too */}
        <section ref={body} aria-label={words.page} tabIndex={0} className="min-h-0 min-w-0 flex-1 overflow-y-auto bg-paper p-6 max-md:p-4">
          {found ? (
            <>
              <h2 className="mb-3 text-head font-semibold" role="status">
                {words.found({ n: found.length })}
              </h2>
              <ul className="flex max-w-180 flex-col gap-3">
                {found.map(({ section, around }) => (
                  <li key={section.id}>
                    <Link to={`/help/${section.id}`} onClick={() => setTyped('')} className="font-semibold text-accent hover:underline">
                      {section.title}
                    </Link>
                    <p className="text-second">{around}</p>
                  </li>
                ))}
              </ul>
            </>
          ) : (
            shown.map((section) => (
              <article
                key={section.id}
                className="mb-6 max-w-180 [&_li]:mb-1.5 [&_p]:mb-3 [&_ul]:list-disc [&_ul]:pl-5 [&_code]:rounded-ui [&_code]:bg-well [&_code]:px-1"
              >
                <h2 className={`mb-2 font-semibold ${section === page ? 'text-title' : 'text-head'}`}>{section.title}</h2>
                <RichTree nodes={htmlTree(section.html) as never} />
              </article>
            ))
          )}
        </section>
      </div>
    </Shell>
  )
}
