import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { joinJudged } from '@/api/actions'
import type { QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'
import { Losses } from '@/question/Losses'
import { useToast } from '@/ui/Toasts'

type Props = { questions: string[]; kinds: Map<string, number>; bank: string; className: string }

/** True–false questions of the tray as one list of statements, opened on the desk as a new question of a bank. */
export function JoinJudged({ questions, kinds, bank, className }: Props) {
  const tell = useToast()
  const navigate = useNavigate()
  const [asked, setAsked] = useState<{ question: QuestionJson; losses: string[] } | null>(null)
  const write = (question: QuestionJson) =>
    navigate(`/banks/${bank}/write`, { state: { question, note: texts.tray.joined({ n: questions.length }) } })
  const join = useMutation({
    mutationFn: () => joinJudged(questions),
    onSuccess: (made) => (made.losses.length > 0 ? setAsked(made) : write(made.question)),
    onError: (problem) => tell({ text: texts.tray.notTrueFalse({ why: problem.message }), look: 'problem' }),
  })
  if (![...kinds.keys()].every((kind) => partView(kind)?.joinsStatements)) return null
  return (
    <>
      <button type="button" className={className} onClick={() => join.mutate()}>
        {texts.tray.join}
      </button>
      {asked ? (
        <Losses
          title={texts.tray.join}
          losses={asked.losses}
          go={texts.tray.joinGo}
          onGo={() => write(asked.question)}
          onClose={() => setAsked(null)}
        />
      ) : null}
    </>
  )
}
