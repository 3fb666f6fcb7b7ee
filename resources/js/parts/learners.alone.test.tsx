import { readFileSync } from 'node:fs'
import { fireEvent, render, screen, waitFor } from '@testing-library/react'
import userEvent, { type UserEvent } from '@testing-library/user-event'
import { Suspense, useState } from 'react'
import { describe, expect, test } from 'vitest'
import type { LearnerProps, PartView } from './definePart'
import { parts } from './index'
import { PickUp } from './PickUp'

/*
 * A learner answers each kind of part as it is presented, by keys and clicks; the core presents the same parts and scores the same answers
 * (core/tests/Parts/AnswersTest.php). Drawing and handing in files are tested in a browser.
 */
type Shown = LearnerProps['part']
type Case = { shown: Shown; answers: { how: string; response: Record<string, unknown> }[] }
const cases: Record<string, Case> = JSON.parse(readFileSync('core/tests/cases/answers.json', 'utf8'))

type Act = (user: UserEvent) => Promise<unknown>
const press =
  (...names: (string | RegExp)[]): Act =>
  async (user) => {
    for (const name of names) await user.click(screen.getByRole('button', { name }))
  }
const pick =
  (...names: string[]): Act =>
  async (user) => {
    for (const name of names) await user.click(screen.getByRole('radio', { name }))
  }
const type =
  (text: string): Act =>
  async (user) => {
    const field = screen.getByRole('textbox')
    await user.clear(field)
    await user.type(field, text)
  }
const set =
  (value: number): Act =>
  async () =>
    fireEvent.change(screen.getByRole('slider'), { target: { value } })
const keys =
  (role: string, pressed: string): Act =>
  async (user) => {
    screen.getByRole(role).focus()
    await user.keyboard(pressed)
  }

const acts: Record<string, Act[]> = {
  choice: [pick('None of these', 'Flat minerals grew at right angles to the squeezing.')],
  text: [type('Basalt'), type('basolt')],
  number: [type('2.66'), type('2.5')],
  menu: [(user) => user.selectOptions(screen.getByRole('combobox'), 'apart')],
  tiles: [press('slate', 'Gap 1: empty', 'schist', 'Gap 2: empty'), press('slate', 'Gap 1: empty', 'Gap 1: slate', 'Gap 2: empty')],
  match: [
    press(/^calcite/, /^fizzes/, /^magnetite/, /^pulls/),
    press(/^calcite/, /^fizzes/, /^magnetite/, /^pulls/, /^calcite/, /^fizzes/),
  ],
  group: [
    press('chalk', /^sedimentary/, 'granite', /^igneous/, 'obsidian', /^igneous/),
    press('chalk', /^sedimentary/, 'chalk', /^igneous/),
  ],
  order: [press('Move Cretaceous down', 'Move Cretaceous down')],
  highlight: [press('U-shaped', 'flat', 'parallel scratches', 'flat')],
  amend: [
    async (user) => {
      await press('Correct “medial”')(user)
      await type('lateral{Enter}')(user)
    },
  ],
  slider: [set(3), keys('slider', ' ')],
  label: [press('crater', '1. top: empty', 'magma chamber', '2. Target: empty')],
  spot: [keys('application', '{Shift>}{ArrowUp}{/Shift}{Enter}')],
  point: [keys('application', '{Enter}'), keys('application', '{Shift>}{ArrowDown}{/Shift}{Enter}')],
  essay: [type('Outside it is faster.{Enter}{Enter}Inside it is slow.')],
  survey: [pick('fairly')],
}

type Answered = { view: PartView; part: Shown; onResponse: (response: Record<string, unknown>) => void }

function Sheet({ view, part, onResponse }: Answered) {
  const [response, setResponse] = useState<Record<string, unknown>>()
  const change = (next: Record<string, unknown>) => {
    onResponse(next)
    setResponse(next)
  }
  const props = { part, response, onChange: change, media: (id: string) => id }
  const gaps = (part.settings.gaps ?? []) as string[]
  return (
    <PickUp>
      {view.Gap ? gaps.map((gap) => view.Gap && <view.Gap key={gap} gap={gap} {...props} />) : null}
      <view.Learner {...props} />
    </PickUp>
  )
}

describe.each(parts.filter((view) => cases[view.kind]))('$kind', (view) => {
  const { shown, answers } = cases[view.kind] as Case

  test.each(answers.map((one, i) => ({ ...one, i })))('a learner $how', async ({ response, i }) => {
    const user = userEvent.setup()
    const given: Record<string, unknown>[] = []
    render(
      <Suspense fallback="later">
        <Sheet view={view} part={shown} onResponse={(next) => given.push(next)} />
      </Suspense>,
    )
    await waitFor(() => expect(document.querySelector('button, [role=button], input, select, textarea, [role=application]')).not.toBeNull())
    await acts[view.kind]?.[i]?.(user)

    expect(given.at(-1)).toEqual(response)
  })
})

test('what is shown is shown, and answered, by every kind but those that need a browser', () => {
  const inBrowser = ['graph', 'upload']
  expect([...Object.keys(cases), ...inBrowser].sort()).toEqual(parts.map((view) => view.kind).sort())
  for (const [kind, { answers }] of Object.entries(cases)) expect(acts[kind], kind).toHaveLength(answers.length)
})
