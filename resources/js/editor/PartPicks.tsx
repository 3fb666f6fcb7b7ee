import type { Part } from '@/api/question'

type Props = { label: string; parts: Part[]; called: (id: string) => string; value: string[]; onChange: (value: string[]) => void }

/** Which parts are meant: each can be switched on and off. */
export function PartPicks({ label, parts, called, value, onChange }: Props) {
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="sr-only">{label}</legend>
      {parts.map((part) => (
        <label key={part.id} className="cursor-pointer">
          <input
            type="checkbox"
            className="peer sr-only"
            checked={value.includes(part.id)}
            onChange={(event) =>
              onChange(parts.filter((one) => (one.id === part.id ? event.target.checked : value.includes(one.id))).map((one) => one.id))
            }
          />
          <span className="inline-flex min-h-7 items-center rounded-ui border border-edge px-2 text-second peer-checked:border-accent peer-checked:bg-accent-tint peer-checked:text-accent peer-focus-visible:outline-2 peer-focus-visible:outline-accent">
            {called(part.id)}
          </span>
        </label>
      ))}
    </fieldset>
  )
}
