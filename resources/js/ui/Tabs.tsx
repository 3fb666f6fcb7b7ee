import { Tabs as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

export type Tab = { id: string; title: string; count?: number; tone?: 'attention'; body: ReactNode }

/** Several views of one place. Only the one in front is drawn, but where `keep` is set it stays alive behind. */
export function Tabs({
  label,
  tabs,
  value,
  onChange,
  keep = false,
}: {
  label: string
  tabs: Tab[]
  value: string
  onChange: (id: string) => void
  keep?: boolean
}) {
  return (
    <Radix.Root value={value} onValueChange={onChange} className="flex h-full min-h-0 flex-col">
      <Radix.List aria-label={label} className="flex flex-none gap-1.5 overflow-x-auto border-hairline border-b px-3">
        {tabs.map((tab) => (
          <Radix.Trigger
            key={tab.id}
            value={tab.id}
            className="-outline-offset-2 flex min-h-10 flex-none items-center gap-1.5 border-transparent border-b-2 px-1 text-second data-[state=active]:border-accent data-[state=active]:font-semibold data-[state=active]:text-ink"
          >
            {tab.title}
            {tab.count ? (
              <span
                className={`rounded-full px-1.5 text-caption ${tab.tone === 'attention' ? 'bg-attention-tint text-attention' : 'bg-well text-second'}`}
              >
                {tab.count}
              </span>
            ) : null}
          </Radix.Trigger>
        ))}
      </Radix.List>
      {tabs.map((tab) => (
        <Radix.Content
          key={tab.id}
          value={tab.id}
          forceMount={keep ? true : undefined}
          className="-outline-offset-2 min-h-0 flex-1 overflow-y-auto data-[state=inactive]:hidden"
        >
          {tab.body}
        </Radix.Content>
      ))}
    </Radix.Root>
  )
}
