import { type MouseEvent, type ReactNode } from 'react';

/** One of the five large places along the foot of the coach's screen. */
export function Zone({
  title,
  hint,
  stop = false,
  loud = false,
  disabled = false,
  onPress,
}: {
  title: ReactNode;
  hint: string;
  stop?: boolean;
  /** What is due now. */
  loud?: boolean;
  disabled?: boolean;
  onPress: (event: MouseEvent) => void;
}) {
  return (
    <button
      type="button"
      disabled={disabled}
      onClick={onPress}
      className={`flex min-h-18 min-w-0 flex-col justify-center rounded-one border px-3 text-left max-sm:min-h-16 max-sm:px-2 disabled:border-rule disabled:text-ink2 lg:px-6 ${
        stop
          ? 'border-stop bg-stop text-onstop disabled:bg-leaf max-sm:col-span-2 sm:col-start-5'
          : loud
            ? 'border-2 border-ink bg-leaf'
            : 'border-line hover:bg-leaf'
      }`}
    >
      <span className="text-xl leading-tight font-semibold lg:text-3xl">{title}</span>
      <span
        className={`mt-1 text-sm leading-tight max-sm:line-clamp-1 lg:text-base ${stop && !disabled ? '' : 'text-ink2'}`}
      >
        {hint}
      </span>
    </button>
  );
}
