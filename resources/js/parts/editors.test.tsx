import { readFileSync } from 'node:fs'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { fireEvent, render, screen } from '@testing-library/react'
import userEvent, { type UserEvent } from '@testing-library/user-event'
import { Suspense, useState } from 'react'
import { MemoryRouter } from 'react-router'
import { describe, expect, test } from 'vitest'
import type { Part } from '@/api/question'
import { Toasts } from '@/ui/Toasts'
import type { PartView } from './definePart'
import { parts } from './index'

/*
 * What an author does in the editor of each kind, and the part that is there afterwards. The core reads the same parts and scores answers
 * to them (core/tests/Parts/EditsTest.php): an edit that the two sides understand differently fails on one of them.
 */
type Edit = { edit: string; settings?: Record<string, unknown>; rules?: unknown[] }
const read = (file: string) => JSON.parse(readFileSync(file, 'utf8'))
const edits: Record<string, Edit[]> = read('core/tests/cases/edits.json')
const cases: Record<string, { part?: Part }> = read('core/tests/cases/kinds.json')

const press = (name: string) => (user: UserEvent) => user.click(screen.getByRole('button', { name }))
const tick = (name: string) => (user: UserEvent) => user.click(screen.getByRole('checkbox', { name }))
const choose = (name: string, value: string) => (user: UserEvent) => user.selectOptions(screen.getByRole('combobox', { name }), value)
/** Puts it there in one go, as pasting does. */
const put = (name: string, value: string) => async () => {
  const field = screen.queryByRole('textbox', { name }) ?? screen.getByRole('spinbutton', { name })
  fireEvent.change(field, { target: { value } })
}
/** Letter by letter, as a field has to bear that is half filled on the way. */
const type = (name: string, text: string) => async (user: UserEvent) => {
  const field = screen.getByRole('textbox', { name })
  await user.clear(field)
  await user.type(field, text)
}

const acts: Record<string, ((user: UserEvent) => Promise<unknown>)[][]> = {
  choice: [
    [press('Option A is the key')],
    [press('Remove Option B')],
    [type('Credit: Option C', '50')],
    [press('Keep Option A in place'), press('Keep Option C in place')],
  ],
  text: [
    [type('The answer 1: words', 'basalt / dolerite')],
    [choose('The answer 1: capitals', 'keep'), put('The answer 2: spelling mistakes', '2')],
    [choose('The answer 1: capitals', 'keep'), choose('The answer 1', 'holds')],
    [
      press('Remove The answer 1'),
      press('Add answer'),
      choose('The answer 3', 'holds'),
      type('The answer 3: words', 'lava'),
      type('Credit: The answer 3', '25'),
    ],
  ],
  number: [
    [type('The answer 1: margin', '0.1')],
    [choose('The answer 1', 'range'), type('The answer 1: to', '2.7'), choose('The answer 1: ends', 'from')],
    [choose('The answer 1: tolerance', 'figures'), put('The answer 1: digits', '3'), tick('must be typed with that many')],
  ],
  menu: [[press('Option 2 is the key')], [press('Remove Option 2')]],
  tiles: [[choose('May be used: Tile 1', '')], [press('Remove Tile 3')]],
  match: [[press('Remove Right 3')], [press('Remove Left 1')]],
  group: [
    [choose('Where Item 2 belongs', 'g1')],
    [press('Remove Group 2')],
    [put('holds at most: Group 1', '2'), put('holds at most: Group 2', '')],
  ],
  order: [
    [press('Item 3 has the same rank as the one above')],
    [press('Item 1 is given'), press('Item 2 is given')],
    [press('Remove Item 4')],
  ],
  highlight: [[press('“flat” is right'), press('“U-shaped” is right')]],
  amend: [[press('Remove Instead of “medial”')], [type('Instead of “medial”', 'terminal')]],
  slider: [
    [put('to', '12'), type('The answer 1: value', '11')],
    [put('in steps of', '0.5'), put('from: meaning', 'soft')],
  ],
  label: [[tick('Label 3 is right at target 2'), tick('Label 2 is right at target 2')], [press('Remove top')]],
  spot: [[press('2 region 2 is right')], [put('Name of region 2', 'bed'), press('Move bed up')]],
  point: [[type('Credit: area 2', '25')], [press('Remove area 1')]],
  graph: [[tick('Circle'), put('Points snap to multiples of', '0.5')], [press('Remove Answer 1')]],
  essay: [[put('Fewest words', '100'), press('Remove prompt 1')]],
  upload: [[tick('sound'), put('Files', '3'), put('MB a file', '20')]],
  survey: [[press('Remove Option 2'), press('Add option')]],
}

function Desk({ view, part, onPart }: { view: PartView; part: Part; onPart: (part: Part) => void }) {
  const [now, setNow] = useState(part)
  const change = (next: Part) => {
    onPart(next)
    setNow(next)
  }
  return <view.Editor part={now} onChange={change} problem={() => undefined} media={(id) => id} />
}

test('every kind has edits, and every edit its acts', () => {
  expect(Object.keys(acts).sort()).toEqual(parts.map((view) => view.kind).sort())
  for (const [kind, each] of Object.entries(edits)) expect(acts[kind], kind).toHaveLength(each.length)
})

describe.each(parts)('$kind', (view) => {
  const part: Part =
    cases[view.kind]?.part ?? read(`core/schema/examples/${view.kind}.json`).valid.parts.find((one: Part) => one.kind === view.kind)

  test.each((edits[view.kind] ?? []).map((one, i) => ({ ...one, i })))('$edit', async ({ settings, rules, i }) => {
    const user = userEvent.setup()
    let now = part
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter>
          <Toasts words={{ label: 'Notices', undo: 'Undo', close: 'Close' }}>
            <Suspense>
              <Desk
                view={view}
                part={part}
                onPart={(next) => {
                  now = next
                }}
              />
            </Suspense>
          </Toasts>
        </MemoryRouter>
      </QueryClientProvider>,
    )
    await screen.findAllByRole('button', {}, { timeout: 10_000 })
    for (const act of acts[view.kind]?.[i] ?? []) await act(user)

    expect(now).toEqual({
      ...part,
      ...(settings ? { settings: { ...part.settings, ...settings } } : {}),
      ...(rules ? { key: { ...part.key, rules } } : {}),
    })
  })
})
