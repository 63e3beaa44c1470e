/** Words, counts and drawings that teach are looked after so often: nobody reads faster. */
const wordsEveryMs = 40;

/** Between looks while nothing glides; the frame after it makes twenty a second of it. */
const restMs = 33;

/** A glide that stands still for so long is at rest: a pause of the breath, a run that waits. */
const restsAfterMs = 250;

interface Follower {
  look: () => unknown;
  glides: boolean;
}

const followers = new Set<Follower>();
let frame = 0;
let timer: ReturnType<typeof setTimeout> | undefined;
let wordsAtMs = -Infinity;
let movedAtMs = -Infinity;

/** A clock that was set meanwhile counts as one that went on. */
const since = (then: number, now: number) => Math.abs(now - then);

function round() {
  const now = performance.now();
  // First, so that what goes wrong below stops nothing.
  next(now);
  const words = since(wordsAtMs, now) >= wordsEveryMs;
  if (words) wordsAtMs = now;
  // One that is ended by another is not looked after any more.
  for (const follower of followers) {
    if (!follower.glides && !words) continue;
    try {
      if (follower.look() === true && follower.glides) movedAtMs = now;
    } catch (error) {
      // As if each had a loop of its own: told of, and the others are looked after all the same.
      setTimeout(() => {
        throw error;
      });
    }
  }
}

function next(now: number) {
  const ask = () => {
    frame = requestAnimationFrame(round);
  };
  if (since(movedAtMs, now) < restsAfterMs) ask();
  else timer = setTimeout(ask, restMs);
}

/**
 * Keeps something on the page in step with a clock. One loop for the whole page: each frame while something glides, twenty times a
 * second otherwise, and never while the page is hidden. A live screen stands open for an hour, on a tablet that has no plug.
 *
 * @param look draws what has changed; of what glides it says whether it moved
 * @param glides for what is followed by eye, as a level that rises: with each frame for as long as it moves
 * @returns ends it
 */
export function follow(look: () => unknown, { glides = false } = {}): () => void {
  const follower = { look, glides };
  look();
  followers.add(follower);
  if (followers.size === 1) {
    wordsAtMs = -Infinity;
    movedAtMs = -Infinity;
    next(performance.now());
  }
  return () => {
    followers.delete(follower);
    if (followers.size > 0) return;
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}
