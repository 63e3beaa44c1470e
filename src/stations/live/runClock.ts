/** One clock for everything in a run: the monotonic one, anchored to the epoch so that it can be shared and kept. */
export class RunClock {
  private anchor = Date.now() - performance.now();

  now(): number {
    return this.anchor + performance.now();
  }

  /** The wall clock has moved away from the monotonic one: a sleep. Returns by how many milliseconds. */
  drift(): number {
    return Date.now() - this.now();
  }

  anchorAnew() {
    this.anchor = Date.now() - performance.now();
  }

  /**
   * Follows another window's clock by what it said of itself. A message is late by its journey and never early, so the
   * quickest of the last few tells how far apart the clocks are.
   */
  follow(theirNowMs: number) {
    this.ahead = [...this.ahead.slice(1 - heardMessages), this.now() - theirNowMs];
    const apart = Math.min(...this.ahead);
    if (apart >= 0 && apart < journeyMs) return;
    this.anchor -= apart;
    this.ahead = [];
  }

  private ahead: number[] = [];
}

const heardMessages = 5;
/** Clocks closer than this are one: the rest is the message's journey. */
const journeyMs = 15;
