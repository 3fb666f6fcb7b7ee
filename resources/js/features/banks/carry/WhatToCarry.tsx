import { useQuery } from '@tanstack/react-query'
import { useId } from 'react'
import { assessmentsQuery } from '@/api/assembly'
import { treesQuery } from '@/api/queries'
import { texts } from '@/messages'
import { ordered } from '@/ui/tree/treeOrder'
import type { Draft } from './plan'

const words = texts.carry

type Props = { slug: string; draft: Draft; isShown: boolean; onChange: (more: Partial<Draft>) => void }

/** Which questions go, and which assessments. */
export function WhatToCarry({ slug, draft, isShown, onChange }: Props) {
  const id = useId()
  const trees = useQuery(treesQuery(slug))
  const all = useQuery(assessmentsQuery)
  const folders = ordered((trees.data?.folders ?? []).map((one) => ({ id: one.id, name: one.name, parent: one.parent_id })))
  const assessments = (all.data ?? []).filter((one) => one.bank === slug)
  const whats = [
    ['everything', words.everything],
    ...(isShown ? ([['shown', words.shown]] as const) : []),
    ['chosen', words.chosen],
  ] as const
  const toggled = (list: string[], one: string, on: boolean) => (on ? [...list, one] : list.filter((each) => each !== one))
  return (
    <>
      <fieldset className="flex flex-col gap-2">
        <legend className="pb-2 font-semibold text-head">{words.what}</legend>
        {whats.map(([what, name]) => (
          <label key={what} className="flex items-center gap-2">
            <input type="radio" name={`${id}what`} checked={draft.what === what} onChange={() => onChange({ what })} />
            {name}
          </label>
        ))}
        {draft.what === 'chosen' ? (
          <ul aria-label={words.folders} className="max-h-80 overflow-y-auto rounded-ui border border-hairline bg-paper py-1">
            {folders.length === 0 ? <li className="px-3 py-1 text-second">{words.noFolders}</li> : null}
            {folders.map(({ item, path }) => (
              <li key={item.id}>
                <label
                  className="flex cursor-pointer items-center gap-2 py-1 pr-3 hover:bg-hover"
                  style={{ paddingLeft: `${0.75 + (path.length - 1) * 1.25}rem` }}
                >
                  <input
                    type="checkbox"
                    checked={draft.folders.includes(item.id)}
                    onChange={(event) => onChange({ folders: toggled(draft.folders, item.id, event.target.checked) })}
                  />
                  {item.name}
                </label>
              </li>
            ))}
          </ul>
        ) : null}
      </fieldset>
      <fieldset className="flex flex-col gap-2">
        <legend className="pb-1 font-semibold text-head">{words.assessments}</legend>
        <p className="text-caption text-second">{assessments.length === 0 ? words.noAssessments : words.assessmentsAbout}</p>
        {assessments.length === 0 ? null : (
          <ul className="max-h-80 overflow-y-auto rounded-ui border border-hairline bg-paper py-1">
            {assessments.map((one) => (
              <li key={one.id}>
                <label className="flex cursor-pointer items-center gap-2 px-3 py-1 hover:bg-hover">
                  <input
                    type="checkbox"
                    checked={draft.assessments.includes(one.id)}
                    onChange={(event) => onChange({ assessments: toggled(draft.assessments, one.id, event.target.checked) })}
                  />
                  <span className="min-w-0 flex-1 truncate">{one.title}</span>
                  <span className="text-caption text-second">{words.questions({ n: one.questions })}</span>
                </label>
              </li>
            ))}
          </ul>
        )}
      </fieldset>
    </>
  )
}
