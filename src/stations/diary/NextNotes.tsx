'use client';

import { type NextNote } from '@/core/diary';
import { send } from '@/keep';
import { Button } from '@/parts/Button';
import { say } from '@/parts/say';

/** What is to be remembered now that somebody comes; each is put away once it was thought of. */
export function NextNotes({ notes }: { notes: readonly NextNote[] }) {
  return notes.map(({ id: noteId, text }) => (
    <p key={noteId} className="flex flex-wrap items-center gap-x-3 border-l-4 border-ink pl-3">
      <span className="[overflow-wrap:anywhere]">{text}</span>
      <Button
        look="quiet"
        onClick={() => {
          send('nextTime.done', { noteId });
          say(`“${text}” is put away.`, () => send('nextTime.undone', { noteId }));
        }}
      >
        Done<span className="sr-only">: {text}</span>
      </Button>
    </p>
  ));
}
