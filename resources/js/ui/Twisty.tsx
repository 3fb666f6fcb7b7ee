/** Opens and closes a branch of a tree with the mouse; by keyboard the arrow keys of the item do it. */
export function Twisty({ branch, closed, onToggle }: { branch: boolean; closed: boolean; onToggle: () => void }) {
  return (
    <button type="button" tabIndex={-1} aria-hidden="true" className={`w-5 text-quiet ${branch ? '' : 'invisible'}`} onClick={onToggle}>
      {closed ? '▸' : '▾'}
    </button>
  )
}
