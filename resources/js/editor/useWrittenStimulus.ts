import { useEffect } from 'react'
import { useLocation, useNavigate } from 'react-router'
import type { QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { useToast } from '@/ui/Toasts'

/** Back from writing a stimulus for the question: that stands above it now. */
export function useWrittenStimulus(change: (edit: (now: QuestionJson) => QuestionJson) => void) {
  const tell = useToast()
  const navigate = useNavigate()
  const place = useLocation()
  const written = (place.state as { stimulus?: string } | null)?.stimulus
  useEffect(() => {
    if (!written) return
    change((now) => (now.stimuli?.includes(written) ? now : { ...now, stimuli: [...(now.stimuli ?? []), written] }))
    tell({ text: texts.stimuli.added })
    navigate(`${place.pathname}${place.search}`, { replace: true, state: null })
  }, [written, change, tell, navigate, place.pathname, place.search])
}
