import { ApiProblem } from '@/api/client'
import { forgetAutosave, keepAutosave } from '@/api/queries'
import { forgetHere, keepHere } from './localDraft'
import { type Effect, type Rules, type Saved, type SaveEvent, type SaveState, step } from './machine'

export type Doing<Content> = {
  rules: Rules
  send: (content: Content, base: number, note: string) => Promise<Saved>
  /** Somebody else was faster, and nobody is asked. */
  takeTheirs?: () => void
}

export type SaveRequest<Content> = { note?: string; content?: Content; base?: number }

/** Runs the machine: does what it asks for, and tells it what came of it. */
export class Runner<Content> {
  private timers: Partial<Record<'paused' | 'rested', ReturnType<typeof setTimeout>>> = {}
  /** Drafts are kept and forgotten on the server in the order asked for: a late forgetting must not take a newer draft away. */
  private drafts: Promise<unknown> = Promise.resolve()
  private sending: Promise<Saved> = Promise.reject(new Error('Nothing was sent.'))

  constructor(
    private state: SaveState<Content>,
    public doing: Doing<Content>,
    private readonly onState: (state: SaveState<Content>) => void,
  ) {
    this.sending.catch(() => undefined)
  }

  happen(event: SaveEvent<Content>) {
    const [next, effects] = step(this.state, event, this.doing.rules)
    this.state = next
    for (const effect of effects) this.run(effect)
    this.onState(this.state)
  }

  /** Resolves when it is stored, and rejects when it is refused; while another save is under way, with that one. */
  save(request: SaveRequest<Content> = {}): Promise<Saved> {
    this.happen({ type: 'save', ...request })
    return this.sending
  }

  /** Stores what was changed a moment ago, before something else is done with the thing. */
  async flush() {
    while (this.state.content !== this.state.settled || this.state.sending) await this.save()
  }

  stopWaiting() {
    for (const timer of Object.values(this.timers)) clearTimeout(timer)
  }

  private run(effect: Effect<Content>) {
    switch (effect.do) {
      case 'keep here':
        return keepHere(effect.subject, { content: effect.content, base: effect.base, at: Date.now() })
      case 'forget here':
        return forgetHere(effect.subject)
      case 'keep draft':
        this.drafts = this.drafts.then(() =>
          keepAutosave(effect.subject, effect.content, effect.base).then(
            () => this.happen({ type: 'draft kept', subject: effect.subject, content: effect.content }),
            () => this.happen({ type: 'draft failed', content: effect.content }),
          ),
        )
        return
      case 'forget draft':
        this.drafts = this.drafts.then(() => forgetAutosave(effect.subject).catch(() => undefined))
        return
      case 'wait':
        clearTimeout(this.timers[effect.event])
        this.timers[effect.event] = setTimeout(() => this.happen({ type: effect.event }), effect.ms)
        return
      case 'stop waiting':
        return this.stopWaiting()
      case 'take theirs':
        return this.doing.takeTheirs?.()
      case 'send':
        return this.send(effect.content, effect.base, effect.note)
    }
  }

  private send(content: Content, base: number, note: string) {
    this.sending = this.doing.send(content, base, note).then(
      (saved) => {
        this.happen({ type: 'saved', saved })
        return saved
      },
      (problem: Error) => {
        this.happen({ type: 'failed', problem, ...told(problem) })
        throw problem
      },
    )
    this.sending.catch(() => undefined) // the page says it, whether or not somebody waits for it
  }
}

/** What the machine needs to know of a refusal. */
function told(problem: Error): { status: number; newest?: number } {
  if (!(problem instanceof ApiProblem)) return { status: 0 }
  return { status: problem.status, ...(problem.status === 412 ? { newest: Number(problem.body.current_revision) } : {}) }
}
