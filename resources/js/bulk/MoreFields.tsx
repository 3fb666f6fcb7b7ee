import type { ReactNode } from 'react'
import { texts } from '@/messages'

/** What a change would do, beside the form: it stays in sight while the form scrolls, and scrolls by itself, also by keyboard. */
export function MoreFields({ children }: { children: ReactNode }) {
  return (
    <section
      aria-label={texts.acts.preview.title}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keyboard
      tabIndex={0}
      className="-outline-offset-2 min-w-0 border-hairline border-l pl-6 md:sticky md:top-0 md:max-h-[60vh] md:self-start md:overflow-y-auto max-md:border-0 max-md:pl-0"
    >
      {children}
    </section>
  )
}
