/** A box as it looks ticked or not; what it belongs to says it in words. */
export function Tick({ on }: { on: boolean }) {
  return (
    <span
      aria-hidden="true"
      className={`flex size-3.5 flex-none items-center justify-center rounded-[3px] border text-[10px] leading-none ${on ? 'border-accent bg-accent text-on-accent' : 'border-edge bg-paper'}`}
    >
      {on ? '✓' : ''}
    </span>
  )
}
