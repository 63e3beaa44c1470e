'use client';

import dynamic from 'next/dynamic';
import { type toast } from 'sonner';
import { patiently } from './patiently';

type Toast = typeof toast;

let standing: (toast: Toast) => void;
/** The place of short messages, once it stands: what is said before waits for it. */
const place = new Promise<Toast>((resolve) => {
  standing = resolve;
});

const Place = dynamic(() => patiently(() => import('./ShortMessages')).then(({ ShortMessages }) => ShortMessages), {
  ssr: false,
});

/** The one place where short messages appear; fetched after the page, which shows none while it is made. */
export const Messages = () => <Place onStanding={standing} />;

/** Says something short, with the way back where there is one. */
export function say(words: string, undo?: () => void) {
  void place.then((show) => show(words, undo ? { action: { label: 'Undo', onClick: undo } } : {}));
}
