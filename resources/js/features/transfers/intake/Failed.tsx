import { useNavigate } from 'react-router'
import type { Intake } from '@/api/intakes'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'
import { Message } from '@/ui/Message'
import { NoticeList } from './NoticeList'

/** Nothing came of it, and why. */
export function Failed({ intake }: { intake: Intake }) {
  const navigate = useNavigate()
  const reasons = intake.files.filter((file) => file.problem !== null)
  return (
    <div className="mx-auto flex max-w-160 flex-col gap-4 p-8">
      {intake.state === 'cancelled' ? <Message look="attention">{texts.intake.stopped}</Message> : null}
      {reasons.map((file) => (
        <Message key={file.id} look="problem">
          {file.problem}
        </Message>
      ))}
      {intake.problem && reasons.length === 0 ? <Message look="problem">{intake.problem}</Message> : null}
      <NoticeList notices={intake.notices} />
      <p>
        <Button look="primary" onClick={() => navigate('/intakes/new')}>
          {texts.intake.again}
        </Button>
      </p>
    </div>
  )
}
