'use client';

import { Toaster, toast } from 'sonner';

/** The one place where short messages appear. */
export function Messages() {
  return (
    <Toaster
      position="bottom-left"
      duration={7000}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'font-sans flex w-[min(92vw,26rem)] items-center gap-3 rounded-one border border-ink bg-paper px-4 py-3 text-base text-ink',
          content: 'grow',
          actionButton: 'min-h-11 shrink-0 rounded-one border border-ink px-3 font-semibold hover:bg-leaf',
        },
      }}
    />
  );
}

/** Says something short, with the way back where there is one. */
export function say(words: string, undo?: () => void) {
  toast(words, undo ? { action: { label: 'Undo', onClick: undo } } : {});
}
