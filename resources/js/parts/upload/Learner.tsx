import { useState } from 'react'
import { fileTarget } from '@/lib/drag'
import { texts } from '@/messages'
import type { LearnerProps } from '../definePart'
import { RemoveButton } from '../RemoveButton'
import { kindsNamed, sizeSaid } from './fileKinds'

const words = texts.kind.upload
/** Larger pictures are named, not shown. */
const MOST_SHOWN = 5_000_000

type Given = { name: string; type?: string; size?: number }
type Settings = { types: string[]; size: number; count: number }

/** Files are chosen or dropped. They stay in the memory of the browser: only their names, types and sizes are judged. */
export function Learner({ part, response, onChange, disabled }: LearnerProps) {
  const settings = part.settings as Settings
  const files = (response?.files as Given[] | undefined) ?? []
  const [pictures, setPictures] = useState<Record<string, string>>({})
  const [isOver, setOver] = useState(false)
  const show = (file: File) => {
    if (!file.type.startsWith('image/') || file.size > MOST_SHOWN) return
    const reader = new FileReader()
    reader.onload = () => setPictures((now) => ({ ...now, [file.name]: String(reader.result) }))
    reader.readAsDataURL(file)
  }
  const add = (chosen: File[]) => {
    chosen.forEach(show)
    const added = chosen.map((file) => ({ name: file.name, ...(file.type ? { type: file.type } : {}), size: file.size }))
    onChange({ files: [...files.filter((one) => !added.some((it) => it.name === one.name)), ...added] })
  }
  return (
    <fieldset
      disabled={disabled}
      ref={fileTarget({
        onOver: () => setOver(true),
        onLeave: () => setOver(false),
        onDrop: (dropped) => {
          setOver(false)
          if (!disabled) add(dropped)
        },
      })}
      className={`my-3 min-w-0 rounded-ui border border-dashed p-4 font-sans ${isOver ? 'border-accent bg-accent-tint' : 'border-edge'}`}
    >
      <legend className="sr-only">{part.label || words.hands}</legend>
      <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="rounded-ui border border-edge bg-paper px-3 py-1 font-semibold focus-within:outline-2 focus-within:outline-accent">
          {words.choose({ n: settings.count })}
          <input
            type="file"
            className="sr-only"
            multiple={settings.count > 1}
            accept={settings.types.join(',')}
            onChange={(event) => {
              add([...(event.target.files ?? [])])
              event.target.value = ''
            }}
          />
        </span>
        <span className="text-caption text-second">
          {[kindsNamed(settings.types), words.each({ n: settings.count, size: sizeSaid(settings.size) })].filter(Boolean).join('; ')}
        </span>
      </label>
      {files.length > 0 ? (
        <ul aria-label={words.files} className="mt-2">
          {files.map((file) => (
            <li key={file.name} className="flex items-center gap-2 border-hairline border-t py-1">
              {pictures[file.name] ? (
                <img src={pictures[file.name]} alt="" className="h-10 w-14 flex-none rounded-ui object-cover" />
              ) : null}
              <span className="min-w-0 flex-1 truncate">{file.name}</span>
              <span className="text-caption text-second">{file.size === undefined ? '' : sizeSaid(file.size)}</span>
              {disabled ? null : (
                <RemoveButton name={file.name} onClick={() => onChange({ files: files.filter((one) => one.name !== file.name) })} />
              )}
            </li>
          ))}
        </ul>
      ) : null}
    </fieldset>
  )
}
