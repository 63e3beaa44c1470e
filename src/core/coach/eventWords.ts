/**
 * How the pacer goes: at the planned cadence, at the taps of the coach, from the client's own rate toward the plan, or not at all: each
 * breath waits for a tap.
 */
export const pacingModes = ['fixed', 'follow', 'ramp', 'tapped'] as const;
export type PacingMode = (typeof pacingModes)[number];

export const swapReasons = ['easier', 'harder', 'another way', 'by hand'] as const;

/** What is asked after a step up the ladder where somebody needs it, and what a step may be lost by. Common practice. */
export const checkIds = ['leak', 'heaviness', 'doming', 'not kept by day'] as const;
export type CheckId = (typeof checkIds)[number];

/** What a recheck of the marker after a drill showed. */
export const helpedWords = ['better', 'same', 'worse'] as const;
export type Helped = (typeof helpedWords)[number];
export const settledThens = ['go on', 'easier', 'end', 'refer'] as const;
export type SettledThen = (typeof settledThens)[number];

/** Whether drills go on after what a stop came to. @example goesOnAfter('easier') // true */
export const goesOnAfter = (then: SettledThen): boolean => then === 'go on' || then === 'easier';
