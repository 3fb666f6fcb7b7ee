import { useState } from 'react'
import { texts } from '@/messages'
import { Shell } from '@/shell/Shell'
import { Button } from '@/ui/Button'
import { Chip } from '@/ui/Chip'
import { Dialog } from '@/ui/Dialog'
import { Field } from '@/ui/Field'
import { Menu } from '@/ui/Menu'
import { Message, Nothing, Waiting } from '@/ui/Message'
import { Panes } from '@/ui/Panes'
import { SearchField } from '@/ui/SearchField'
import { Gap, Pick, Sentence } from '@/ui/Sentence'
import { Level, Strata } from '@/ui/Strata'
import { Tabs } from '@/ui/Tabs'
import { useToast } from '@/ui/Toasts'
import { Tree } from '@/ui/tree/Tree'
import { VirtualRows } from '@/ui/VirtualRows'

const tones = [
  'page',
  'paper',
  'well',
  'hairline',
  'edge',
  'quiet',
  'second',
  'ink',
  'accent',
  'accent-tint',
  'attention',
  'attention-tint',
  'problem',
  'problem-tint',
  'information',
  'bar',
  'mark',
]
const rows = Array.from({ length: 1000 }, (_, i) => ({ id: `r${i}`, name: `Row ${i + 1}` }))

/** Every building block in every state, for looking at and for the tests. Not part of a production installation. */
export function Gallery() {
  const tell = useToast()
  const [dialog, setDialog] = useState(false)
  const [tab, setTab] = useState('one')
  const [ticked, setTicked] = useState<string[]>(['b'])
  const [active, setActive] = useState('r0')
  const [picked, setPicked] = useState<string[]>([])
  const [words, setWords] = useState('')
  const [gap, setGap] = useState('slate')
  return (
    <Shell title={texts.frame.gallery} crumbs={[{ title: texts.frame.gallery }]}>
      <div className="grid h-full grid-cols-2 gap-6 overflow-y-auto p-6 max-md:grid-cols-1">
        <section className="flex flex-col gap-3">
          <h2 className="text-head font-semibold">Tones</h2>
          <ul className="grid grid-cols-4 gap-2 text-caption">
            {tones.map((tone) => (
              <li key={tone}>
                <span className="block h-8 rounded-ui border border-hairline" style={{ background: `var(--color-${tone})` }} />
                {tone}
              </li>
            ))}
          </ul>
          <h2 className="text-head font-semibold">Type</h2>
          <p className="text-title font-bold">Title 20/28</p>
          <p className="text-head font-semibold">Head 16/24</p>
          <p>Interface 14/20, figures 0123456789</p>
          <p className="text-caption text-quiet">Caption 12/16</p>
          <p className="question-text">A question as on paper, 17/27: H₂O and 2.7 g/cm³.</p>
          <p className="font-mono">code, code</p>
          <h2 className="text-head font-semibold">Buttons</h2>
          <div className="flex flex-wrap gap-2">
            <Button look="primary">Primary</Button>
            <Button>Plain</Button>
            <Button look="quiet">Quiet</Button>
            <Button aria-pressed>Pressed</Button>
            <Button aria-disabled>Not now</Button>
            <Menu.Root button={<Button>Menu</Button>}>
              <Menu.Label>A group</Menu.Label>
              <Menu.Item keys="Ctrl K">An item with a key</Menu.Item>
              <Menu.Item disabled>Not now</Menu.Item>
              <Menu.Line />
              <Menu.Choice
                value="a"
                options={[
                  ['a', 'One'],
                  ['b', 'Other'],
                ]}
                onChange={() => undefined}
              />
            </Menu.Root>
            <Button onClick={() => setDialog(true)}>Dialog</Button>
            <Button onClick={() => tell({ text: 'Something was done.', undo: () => tell({ text: 'It was put back.' }) })}>Notice</Button>
          </div>
          <h2 className="text-head font-semibold">Fields</h2>
          <Field.Root>
            <Field.Label>A field</Field.Label>
            <Field.Text defaultValue="words" />
          </Field.Root>
          <Field.Root problem="This is not a number: “much”.">
            <Field.Label>A field with a problem</Field.Label>
            <Field.Text defaultValue="much" />
          </Field.Root>
          <SearchField label="Find something" value={words} onChange={setWords} />
          <h2 className="text-head font-semibold">Sentences with places to fill</h2>
          <Sentence>
            The answer
            <Pick
              aria-label="how"
              value="is"
              options={[
                ['is', 'is'],
                ['holds', 'holds the words'],
              ]}
              onChange={() => undefined}
            />
            <Gap aria-label="what" value={gap} onChange={(event) => setGap(event.target.value)} />
            and earns <Gap aria-label="how much" value="50" onChange={() => undefined} /> %.
          </Sentence>
          <h2 className="text-head font-semibold">Chips and pictures</h2>
          <div className="flex items-center gap-3">
            <Chip onRemove={() => undefined} removeName="Drop slate">
              slate
            </Chip>
            <Level value={3} label="3 of 5" />
            <Strata
              label="Layers"
              layers={[
                { name: 'one', count: 3, tone: 'bg-hairline' },
                { name: 'other', count: 5, tone: 'bg-accent' },
              ]}
            />
          </div>
        </section>
        <section className="flex flex-col gap-3">
          <h2 className="text-head font-semibold">Messages</h2>
          <Message look="done">Saved as revision 3.</Message>
          <Message look="attention">Somebody saved meanwhile.</Message>
          <Message look="problem" actions={<Button>Try again</Button>}>
            The server cannot be reached.
          </Message>
          <Waiting text="Loading …" />
          <Nothing title="Nothing here yet.">
            <Button>Make the first one</Button>
          </Nothing>
          <h2 className="text-head font-semibold">Tree</h2>
          <div className="bg-well py-2">
            <Tree
              name="gallery"
              label="A tree"
              items={[
                { id: 'a', parent: null, name: 'Branch', count: 12 },
                { id: 'b', parent: 'a', name: 'Twig', count: 7 },
                { id: 'c', parent: 'a', name: 'Other twig', count: 5 },
                { id: 'd', parent: null, name: 'Another branch', count: 0 },
              ]}
              ticked={ticked}
              onTick={(id) => setTicked((now) => (now.includes(id) ? now.filter((one) => one !== id) : [...now, id]))}
            />
          </div>
          <h2 className="text-head font-semibold">Tabs</h2>
          <div className="h-28 border border-hairline">
            <Tabs
              label="Tabs"
              value={tab}
              onChange={setTab}
              tabs={[
                { id: 'one', title: 'One', body: <p className="p-3">First</p> },
                { id: 'two', title: 'Two', count: 3, tone: 'attention', body: <p className="p-3">Second</p> },
              ]}
            />
          </div>
          <h2 className="text-head font-semibold">Panes and a list of a thousand</h2>
          <div className="h-60 border border-hairline">
            <Panes
              name="gallery"
              borderName={(pane) => texts.frame.border({ pane })}
              panes={[
                {
                  id: 'list',
                  label: 'List',
                  size: 220,
                  min: 120,
                  max: 400,
                  body: (
                    <VirtualRows
                      label="A list"
                      rows={rows}
                      all={rows.length}
                      height={28}
                      id={(row) => row.id}
                      active={active}
                      selected={picked}
                      onActive={(row) => setActive(row.id)}
                      onSelect={(row) =>
                        setPicked((now) => (now.includes(row.id) ? now.filter((one) => one !== row.id) : [...now, row.id]))
                      }
                      onOpen={() => undefined}
                      onEnd={() => undefined}
                      draw={(row, state) => (
                        <span
                          className={`block px-3 py-1 ${state.active ? 'bg-accent-tint' : ''} ${state.selected ? 'font-semibold' : ''}`}
                        >
                          {row.name}
                        </span>
                      )}
                    />
                  ),
                },
              ]}
              last={<p className="p-3">{rows.find((row) => row.id === active)?.name}</p>}
            />
          </div>
        </section>
      </div>
      <Dialog
        open={dialog}
        onClose={() => setDialog(false)}
        title="A dialog"
        about="With a sentence about it."
        closeName={texts.frame.close}
        actions={
          <>
            <Button onClick={() => setDialog(false)}>Cancel</Button>
            <Button look="primary" onClick={() => setDialog(false)}>
              Do it
            </Button>
          </>
        }
      >
        <p>What is to be settled.</p>
      </Dialog>
    </Shell>
  )
}
