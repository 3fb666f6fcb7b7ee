import type { Editor } from '@tiptap/core'
import { Omega } from 'lucide-react'
import { Popover } from 'radix-ui'
import { memo, useState } from 'react'
import { isTexts, storedValue, storeValue } from '@/lib/storage'
import { texts } from '@/messages'
import { insertHere } from './insertHere'
import { formatKeys } from './keys'
import { ToolButton } from './ToolButton'

const words = texts.rich.symbols
const groups: Record<keyof typeof words.groups, string> = {
  maths: '± × ÷ · − = ≠ ≈ ≡ < > ≤ ≥ ∞ √ ∛ ∑ ∏ ∫ ∂ ∆ ∇ ∝ ∈ ∉ ⊂ ∪ ∩ ∅ ∀ ∃ ¬ ∧ ∨ ⊥ ∥ ∠ ′ ″',
  greek: 'α β γ δ ε ζ η θ ι κ λ μ ν ξ π ρ σ τ φ χ ψ ω Γ Δ Θ Λ Ξ Π Σ Φ Ψ Ω',
  arrows: '→ ← ↑ ↓ ↔ ⇌ ⇒ ⇔ ↦',
  units: '° ℃ µ Å ℓ Ω ‰ ½ ⅓ ⅔ ¼ ¾ – — … • € £ § ¶ † “ ” ‘ ’ « »',
  letters: 'à á â ä ã å æ ç è é ê ë ì í î ï ñ ò ó ô ö õ ø œ ß ù ú û ü ý ÿ ŵ ŷ',
}
const RECENT = 'symbols'
const KEPT = 16

/** Characters that keyboards lack; those used before come first. */
export const SymbolMenu = memo(function SymbolMenu({
  editor,
  open,
  onOpen,
}: {
  editor: Editor
  open: boolean
  onOpen: (open: boolean) => void
}) {
  const [recent, setRecent] = useState(() => storedValue(RECENT, isTexts, []))
  const put = (sign: string) => {
    const next = [sign, ...recent.filter((one) => one !== sign)].slice(0, KEPT)
    storeValue(RECENT, next)
    setRecent(next)
    onOpen(false)
    insertHere(editor, sign)
  }
  const shown = [...(recent.length > 0 ? [[words.recent, recent] as const] : []), ...named()]
  return (
    <Popover.Root open={open} onOpenChange={onOpen}>
      <Popover.Trigger asChild>
        <ToolButton name={texts.rich.bar.symbols} keys={formatKeys.symbols} icon={Omega} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={texts.rich.bar.symbols}
          sideOffset={4}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            editor.view.focus()
          }}
          className="z-30 max-h-[60vh] w-88 overflow-y-auto rounded-ui border border-hairline bg-paper p-3 text-ink shadow-float"
        >
          {shown.map(([name, signs]) => (
            <fieldset key={name} className="mb-2">
              <legend className="pb-1 text-caption text-quiet">{name}</legend>
              <div className="flex flex-wrap gap-0.5">
                {signs.map((sign) => (
                  <button
                    key={sign}
                    type="button"
                    className="min-h-7 min-w-7 rounded-ui font-serif text-[17px] hover:bg-accent-tint"
                    onClick={() => put(sign)}
                  >
                    {sign}
                  </button>
                ))}
              </div>
            </fieldset>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
})

const named = () =>
  Object.entries(groups).map(([key, signs]) => [words.groups[key as keyof typeof groups], signs.split(' ')] as [string, string[]])
