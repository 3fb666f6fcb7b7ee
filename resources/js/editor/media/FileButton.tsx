import { useRef } from 'react'
import { Button } from '@/ui/Button'

type Props = {
  label: string
  accept?: string
  multiple?: boolean
  disabled?: boolean
  look?: 'primary'
  onFiles: (files: File[]) => void
}

/** A button that asks for files. */
export function FileButton({ label, accept, multiple, disabled, look, onFiles }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button {...(look ? { look } : {})} aria-disabled={disabled} onClick={() => (disabled ? undefined : input.current?.click())}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={label}
        accept={accept}
        multiple={multiple === true}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])]
          event.target.value = ''
          if (files.length > 0) onFiles(files)
        }}
      />
    </>
  )
}
