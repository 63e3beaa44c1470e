'use client';

import { AlertDialog } from 'radix-ui';
import { useShield } from '@/parts/shield';
import { emergencySteps, signInWords } from '@/core/safety';

/** What to do about an emergency sign, before anything is logged: the number, the steps, and one tap for “it is happening”. */
export function EmergencyCard({
  sign,
  emergencyNumber,
  onHappening,
  onMistake,
  mistake = 'Not happening, tapped by mistake',
}: {
  /** The sign asked about; null while the card is closed. */
  sign: string | null;
  emergencyNumber: string;
  onHappening: (sign: string) => void;
  onMistake: () => void;
  mistake?: string;
}) {
  useShield(sign !== null);
  return (
    <AlertDialog.Root open={sign !== null} onOpenChange={(shown) => !shown && onMistake()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 max-h-[94vh] w-[min(94vw,44rem)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-one border-4 border-stop bg-paper p-6">
          <AlertDialog.Title className="text-3xl font-bold text-stop dark:text-ink">
            Stop. Call {emergencyNumber}.
          </AlertDialog.Title>
          <AlertDialog.Description className="mt-1 text-lg">{sign && signInWords(sign)}</AlertDialog.Description>
          <ol className="mt-4 list-decimal space-y-1.5 pl-6 text-lg">
            {emergencySteps(emergencyNumber).map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
          <div className="mt-6 flex flex-wrap gap-3">
            <AlertDialog.Action
              className="min-h-12 rounded-one bg-stop px-5 text-lg font-semibold text-onstop"
              onClick={() => sign && onHappening(sign)}
            >
              It is happening: log it and stop
            </AlertDialog.Action>
            <AlertDialog.Cancel className="min-h-12 rounded-one border border-ink px-5 font-semibold">
              {mistake}
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
