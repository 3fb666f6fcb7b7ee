import { useCallback, useEffect, useRef, useState } from 'react'
import type { Finding, QuestionJson } from '@/api/question'

/** The place of the page a finding belongs to: a part, a field of the question, or the whole of it. */
export function placeOf(path: string, question: QuestionJson): string {
  const [, first, second] = path.split('/')
  return first === 'parts' ? `part ${question.parts[Number(second)]?.id ?? second}` : (first ?? '')
}

/** Delay in ms, a little longer than the debounce of the check, so that the last keystrokes are checked too. */
const CHECKED = 300

/**
 * Hides the findings of a new question until its author leaves the field or tries to save. Fields are marked by `data-place`.
 * A finding shifts the layout, which would move a button away under a pressed mouse, so none appears until the mouse is up and
 * the check is current (`stale` is false).
 */
export function useQuietFindings(findings: Finding[], stale: boolean, question: QuestionJson, fresh: boolean) {
  const [leaving, setLeaving] = useState<string[]>([])
  const [left, setLeft] = useState<string[]>([])
  const [pressed, setPressed] = useState(false)
  const [all, setAll] = useState(!fresh)
  const page = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const out = ({ target, relatedTarget }: FocusEvent) => {
      const place = target instanceof Element ? target.closest('[data-place]') : null
      const to = relatedTarget instanceof Element ? relatedTarget : null
      // a menu or dialog of the field takes the focus only for a moment
      if (!place || !to || place.contains(to) || to.closest('[role="menu"],[role="dialog"],[role="listbox"]')) return
      const name = place.getAttribute('data-place') ?? ''
      setLeaving((now) => (now.includes(name) ? now : [...now, name]))
    }
    const down = () => setPressed(true)
    const up = () => setPressed(false)
    const element = page.current
    element?.addEventListener('focusout', out)
    window.addEventListener('pointerdown', down, true)
    for (const end of ['pointerup', 'pointercancel', 'dragend']) window.addEventListener(end, up, true)
    return () => {
      element?.removeEventListener('focusout', out)
      window.removeEventListener('pointerdown', down, true)
      for (const end of ['pointerup', 'pointercancel', 'dragend']) window.removeEventListener(end, up, true)
    }
  }, [])
  useEffect(() => {
    if (pressed || stale) return
    const timer = setTimeout(() => setLeft(leaving), CHECKED)
    return () => clearTimeout(timer)
  }, [leaving, pressed, stale])
  const shown = all ? findings : findings.filter((finding) => left.includes(placeOf(finding.path, question)))
  return { shown, page, showAll: useCallback(() => setAll(true), []) }
}
