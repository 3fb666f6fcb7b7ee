import { useEffect } from 'react'

const focusable =
  'a[href],button:not([disabled]),input:not([disabled]),select:not([disabled]),textarea:not([disabled]),[tabindex="0"],[contenteditable="true"]'
const name = (element: Element) => element.getAttribute('aria-label') ?? element.textContent?.trim() ?? ''
/** The same control after a re-render: by its key, else by its name. */
const twin = (was: Was): HTMLElement | null =>
  was.key !== null
    ? document.querySelector<HTMLElement>(`[data-focus="${was.key}"]`)
    : ([...document.querySelectorAll<HTMLElement>(was.tag)].find(
        (one) => was.name !== '' && name(one) === was.name && one.matches(focusable),
      ) ?? null)

type Was = { tag: string; name: string; key: string | null; above: Element[]; index: number; page: string }

function remember(element: Element): Was {
  const above: Element[] = []
  for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) above.push(at)
  const near = element.closest('[role=listbox],[role=tree],ol,ul,table,form,section') ?? element.parentElement
  return {
    tag: element.tagName.toLowerCase(),
    name: name(element),
    key: element.closest('[data-focus]')?.getAttribute('data-focus') ?? null,
    above,
    page: location.pathname,
    index: near ? [...near.querySelectorAll(focusable)].indexOf(element) : 0,
  }
}

/**
 * Where the focus goes when the focused element was removed: to the same control, to whatever took its place, or to the nearest one
 * left. After navigation, when the new page may still be loading, to `main`, but only once `late`.
 */
export function heir(was: Was, late: boolean): HTMLElement | null {
  const same = twin(was)
  if (same) return same
  if (was.page !== location.pathname) return late ? document.querySelector<HTMLElement>('main') : null
  for (const above of was.above) {
    if (!above.isConnected) continue
    // nothing near is left: the content, not the link that leads past the frame
    const main = above.querySelector<HTMLElement>('main')
    if (main) return main
    const inside = [...above.querySelectorAll<HTMLElement>(focusable)].filter((one) => one.getClientRects().length > 0)
    if (inside.length > 0) return inside[Math.max(0, Math.min(inside.length - 1, was.index))] ?? null
  }
  return null
}

/**
 * Keeps keyboard users in place: when the focused element is removed (after saving, clearing, deleting), the focus moves to the
 * nearest sensible element instead of to the top. Mount once, above the screens.
 */
export function useKeepFocus() {
  useEffect(() => {
    let was: Was | null = null
    let element: Element | null = null
    const timers: ReturnType<typeof setTimeout>[] = []
    const enter = (event: FocusEvent) => {
      if (!(event.target instanceof Element) || event.target === document.body) return
      element = event.target
      was = remember(event.target)
      for (const timer of timers.splice(0)) clearTimeout(timer)
    }
    const look = (late: boolean) => {
      if (!element || element.isConnected || !was || document.activeElement !== document.body) return
      heir(was, late)?.focus({ preventScroll: false })
    }
    const observer = new MutationObserver(() => {
      if (!element || element.isConnected || timers.length > 0) return
      // at once, and again for a page that is still loading
      for (const wait of [0, 150, 600, 1500]) timers.push(setTimeout(() => look(wait >= 600), wait))
    })
    document.addEventListener('focusin', enter)
    observer.observe(document.body, { childList: true, subtree: true })
    return () => {
      document.removeEventListener('focusin', enter)
      observer.disconnect()
      for (const timer of timers) clearTimeout(timer)
    }
  }, [])
}

/** Moves the focus to the next pane, in a circle: top bar, the panes of the screen, tray. */
export function nextPane(by: 1 | -1) {
  const panes = [...document.querySelectorAll<HTMLElement>('header nav, [data-pane], [data-pane-alone]')].filter(
    (one) => one.getClientRects().length > 0 && !one.querySelector('[data-pane]'),
  )
  if (panes.length === 0) return
  const at = panes.findIndex((pane) => pane.contains(document.activeElement))
  const next = panes[(at + by + panes.length) % panes.length]
  const inside = [...(next?.querySelectorAll<HTMLElement>(focusable) ?? [])].find((one) => one.getClientRects().length > 0)
  ;(inside ?? next)?.focus()
}
