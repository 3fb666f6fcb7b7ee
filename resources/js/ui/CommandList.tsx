import { Command, defaultFilter } from 'cmdk'
import { Dialog } from 'radix-ui'
import { groupBy } from '@/lib/groupBy'

/** isKeyOnly: done by its keys alone, where the cursor is; it stands in the list of keys and not among the commands. */
export type CommandEntry = { id: string; title: string; group: string; keys?: string; isKeyOnly?: boolean; run: () => void }

/** Everything that can be done here, found by typing. */
export function CommandList({
  open,
  onClose,
  commands,
  found = [],
  onType,
  words,
}: {
  open: boolean
  onClose: () => void
  commands: CommandEntry[]
  /** Results from the server, which need no further filtering. */
  found?: CommandEntry[]
  onType?: (typed: string) => void
  words: { title: string; placeholder: string; nothing: string }
}) {
  const groups = groupBy([...commands, ...found], (command) => command.group)
  const matches = new Set(found.map((one) => one.id))
  return (
    <Dialog.Root open={open} onOpenChange={(now) => (now ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/45" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-40 w-[min(560px,calc(100vw-32px))] -translate-x-1/2 rounded-ui border border-hairline bg-paper text-ink shadow-float"
        >
          <Dialog.Title className="sr-only">{words.title}</Dialog.Title>
          <Command
            label={words.title}
            loop
            filter={(value, typed, keywords) => (keywords?.includes('found') ? 0.5 : defaultFilter(value, typed))}
          >
            <Command.Input
              placeholder={words.placeholder}
              {...(onType ? { onValueChange: onType } : {})}
              className="w-full border-hairline border-b bg-transparent px-4 py-3 text-head placeholder:text-quiet"
            />
            <Command.List className="max-h-[50vh] overflow-y-auto p-1">
              <Command.Empty className="p-4 text-quiet">{words.nothing}</Command.Empty>
              {[...groups].map(([group, entries]) => (
                <Command.Group
                  key={group}
                  heading={group}
                  className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-caption [&_[cmdk-group-heading]]:text-quiet"
                >
                  {entries.map((entry) => (
                    <Command.Item
                      key={entry.id}
                      value={matches.has(entry.id) ? entry.id : `${group} ${entry.title}`}
                      {...(matches.has(entry.id) ? { keywords: ['found'] } : {})}
                      onSelect={() => {
                        onClose()
                        entry.run()
                      }}
                      className="flex min-h-9 cursor-pointer items-center gap-3 rounded-ui px-3 data-[selected=true]:bg-accent-tint data-[selected=true]:text-accent"
                    >
                      <span className="flex-1">{entry.title}</span>
                      {entry.keys ? <kbd className="font-mono text-caption text-quiet">{entry.keys}</kbd> : null}
                    </Command.Item>
                  ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
