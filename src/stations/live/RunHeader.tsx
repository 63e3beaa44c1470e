'use client';

import { ArrowLeft, TriangleAlert, Volume2, VolumeX } from 'lucide-react';
import { Link } from '@/parts/Link';
import { capital } from '@/core/reasons';
import { type TouchConsent } from '@/core/safety';
import { LockButton } from '@/parts/shell/Lock';
import { SaveMark } from '@/parts/shell/SaveMark';
import { TouchBadge } from '../TouchBadge';

/** The strip on top: consent, every sign to watch in words, and the time there is. */
export function RunHeader({
  back,
  touch,
  watch,
  zone,
  muted,
  minutesLeft,
  onTouch,
  onMute,
}: {
  back: string;
  /** Of the client, or of the person chosen in a group; null when nobody is: there it stands on each tile. */
  touch: TouchConsent | null;
  watch: readonly string[];
  zone: string;
  muted: boolean;
  minutesLeft: number;
  onTouch: () => void;
  onMute: () => void;
}) {
  return (
    <header className="flex min-h-16 flex-wrap items-center justify-between gap-x-5 border-b border-rule px-4 max-lg:py-1 max-sm:gap-x-2 max-sm:px-2">
      <div className="flex items-center gap-3 max-sm:gap-1">
        {touch === null ? (
          <span className="text-2xl font-semibold">Group</span>
        ) : (
          <TouchBadge touch={touch} onPress={onTouch} />
        )}
        <Link href={back} className="grid size-11 place-items-center" aria-label="Back to the client">
          <ArrowLeft size={22} aria-hidden />
        </Link>
      </div>
      {watch.length > 0 && (
        <p
          className={`flex min-w-0 grow basis-0 items-center justify-center gap-2 leading-tight font-semibold text-caution max-lg:order-last max-lg:basis-full max-lg:justify-start max-lg:text-base ${watch.length > 4 ? 'lg:text-xl' : 'lg:text-2xl'}`}
          data-watch
        >
          <TriangleAlert size={26} aria-hidden className="shrink-0" />
          <span>{capital(watch.join(', '))}? Stop</span>
        </p>
      )}
      <div className="flex items-center gap-3">
        <span className="max-sm:hidden">
          <SaveMark zone={zone} />
        </span>
        <LockButton />
        <button
          type="button"
          className="grid size-11 place-items-center"
          aria-label={muted ? 'Sound on' : 'Sound off'}
          onClick={onMute}
        >
          {muted ? <VolumeX size={24} aria-hidden /> : <Volume2 size={24} aria-hidden />}
        </button>
        <span className="text-3xl font-semibold tabular-nums max-sm:text-xl">{minutesLeft} min</span>
      </div>
    </header>
  );
}
