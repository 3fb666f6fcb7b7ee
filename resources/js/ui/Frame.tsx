import { memo, type ReactNode } from 'react'
import { Link, useLocation } from 'react-router'

export type Crumb = { title: string; to?: string }

/** `also`: where else its screens are. */
type Area = { title: string; to: string; also?: string[] }

type Props = {
  product: string
  skip: string
  areas: Area[]
  search?: ReactNode
  person?: ReactNode
  crumbs?: Crumb[]
  aside?: ReactNode
  actions?: ReactNode
  /** What stays at the bottom of every screen. */
  bottom?: ReactNode
  children: ReactNode
}

/** The bar at the top, where one is as a path, and the screen. */
export function Frame({ product, skip, areas, search, person, crumbs, aside, actions, bottom, children }: Props) {
  return (
    <div className="flex h-dvh flex-col">
      <a href="#content" className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-paper focus:p-2">
        {skip}
      </a>
      <header className="flex h-12 flex-none items-center gap-6 border-hairline border-b bg-paper px-4 max-sm:gap-3">
        <Areas product={product} areas={areas} />
        {search}
        {person}
      </header>
      <main id="content" tabIndex={-1} className="flex min-h-0 flex-1 flex-col outline-none">
        {crumbs ? (
          <div className="flex min-h-11 flex-none flex-wrap items-center gap-x-3 gap-y-1 border-hairline border-b bg-page px-4 py-1.5">
            <ol className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2">
              {crumbs.map((crumb, i) => (
                <li key={crumb.to ?? crumb.title} className="flex min-w-0 items-center gap-2">
                  {i > 0 ? (
                    <span aria-hidden="true" className="text-edge">
                      ›
                    </span>
                  ) : null}
                  {crumb.to ? (
                    <Link to={crumb.to} className="inline-block min-h-6 leading-6 text-second hover:underline">
                      {crumb.title}
                    </Link>
                  ) : (
                    <h1 className="truncate text-head font-semibold">{crumb.title}</h1>
                  )}
                </li>
              ))}
              {aside ? <li className="text-caption text-quiet">{aside}</li> : null}
            </ol>
            {actions ? <div className="flex flex-wrap items-center gap-2">{actions}</div> : null}
          </div>
        ) : null}
        <div data-pane-alone="" className="min-h-0 flex-1">
          {children}
        </div>
        {bottom}
      </main>
    </div>
  )
}

const link = '-outline-offset-2 flex h-full flex-none items-center border-b-2 px-1'

/** The product's name and its areas; drawn again only where one goes somewhere. */
const Areas = memo(function Areas({ product, areas }: { product: string; areas: Area[] }) {
  const { pathname } = useLocation()
  const isIn = ({ to, also = [] }: Area) => [to, ...also].some((one) => pathname.startsWith(one))
  return (
    <>
      <Link to="/desk" className="flex flex-none items-center gap-2 text-head font-bold">
        <img src="/mark.svg" alt="" width="24" height="24" /> <span className="max-md:sr-only">{product}</span>
      </Link>
      <nav aria-label={product} className="flex h-full min-w-0 flex-1 gap-4 overflow-x-auto overflow-y-hidden max-sm:gap-3">
        {areas.map((area) => (
          <Link
            key={area.to}
            to={area.to}
            aria-current={pathname === area.to ? 'page' : undefined}
            className={`${link} ${isIn(area) ? 'border-accent font-semibold' : 'border-transparent text-second'}`}
          >
            {area.title}
          </Link>
        ))}
      </nav>
    </>
  )
})
