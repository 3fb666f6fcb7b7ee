import { useEffect, useRef, useState } from 'react'
import { texts } from '@/messages'

/** Minutes and seconds as a clock shows them. */
export const clock = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

/** How much time is left. It goes by the clock of the machine, so that a page asleep does not stop it. */
export function Countdown({ seconds, label, onOver }: { seconds: number; label: string; onOver: () => void }) {
  const end = useRef(Date.now() + seconds * 1000)
  const over = useRef(onOver)
  over.current = onOver
  const [left, setLeft] = useState(seconds)
  useEffect(() => {
    const timer = setInterval(() => {
      const now = Math.max(0, Math.ceil((end.current - Date.now()) / 1000))
      setLeft(now)
      if (now > 0) return
      clearInterval(timer)
      over.current()
    }, 250)
    return () => clearInterval(timer)
  }, [])
  return (
    <p className={`tabular-nums ${left <= 60 ? 'font-semibold text-attention' : 'text-second'}`}>
      {label} <span role="timer">{clock(left)}</span>
      {/* said once, and not every second */}
      <span className="sr-only" role="status">
        {left === 60 ? texts.assembly.run.oneMinute : ''}
      </span>
    </p>
  )
}
