import { useState } from 'react'
import type { RubricLevel } from '@/api/question'
import { texts } from '@/messages'
import { Gap } from '@/ui/Sentence'
import { readPoints, writePoints } from './levels'

type Props = { points: RubricLevel['points']; label: string; onChange: (points: RubricLevel['points']) => void }

/** Points of a level, a number or a range. What is no number stays as it was typed, and is said. */
export function PointsField({ points, label, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  const wrong = typed !== null && readPoints(typed) === undefined
  return (
    <Gap
      aria-label={label}
      title={wrong ? texts.rubric.pointsAs : undefined}
      aria-invalid={wrong ? true : undefined}
      inputMode="decimal"
      placeholder="?"
      className="!w-[7ch] text-center tabular-nums"
      value={typed ?? writePoints(points)}
      onChange={(event) => {
        const read = readPoints(event.target.value)
        setTyped(event.target.value)
        if (read !== undefined) onChange(read)
      }}
      onBlur={() => (wrong ? undefined : setTyped(null))}
    />
  )
}
