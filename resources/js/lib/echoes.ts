/**
 * Tells a value that comes back from one that comes from elsewhere. What a person types is said, and comes back some renders later; on
 * a busy machine more has been typed by then, and to show what came back would take that away.
 */
export class Echoes {
  private said: string[] = []

  constructor(private shown: string) {}

  /** What is shown has become this, and others are told so. */
  say(value: string) {
    this.shown = value
    this.said.push(value)
  }

  /** @return whether a value that arrives is to be shown in place of what is */
  takes(value: string): boolean {
    if (value === this.shown) {
      this.said = []
      return false
    }
    const at = this.said.indexOf(value)
    if (at >= 0) {
      this.said.splice(0, at + 1)
      return false
    }
    this.said = []
    this.shown = value
    return true
  }
}
