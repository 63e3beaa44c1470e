import { Link } from '@/parts/Link';
import { type ReactNode } from 'react';
import { type StationId } from '@/core/safety';
import { CommandBox } from './CommandBox';
import { KeyHelp } from './KeyHelp';
import { WhoIsHere } from './Lock';
import { SaveMark } from './SaveMark';
import { ThemeSwitch } from './ThemeSwitch';

/** The strip on top: studio, who it is about, limits and consent, one box to find things. */
export function TopBar({
  studioName,
  zone,
  theme,
  clientId,
  clientName,
  openStationIds,
  children,
}: {
  studioName: string;
  zone: string;
  theme: 'light' | 'dark';
  clientId?: string;
  clientName?: string;
  openStationIds?: readonly StationId[];
  children?: ReactNode;
}) {
  return (
    <header className="screen-only sticky top-0 z-20 flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule bg-paper px-4 py-1 max-sm:gap-x-2 lg:px-7">
      <Link
        href="/"
        // Beside a name it makes room for it: all of it in one line on a tablet and on a phone, too.
        className={`flex min-h-11 items-center font-semibold hover:underline ${clientName ? 'max-lg:max-w-32 max-sm:border-r max-sm:border-rule max-sm:pr-2' : 'max-sm:max-w-44'}`}
      >
        <span className={`truncate ${clientName ? 'max-sm:hidden' : ''}`}>{studioName}</span>
        {clientName && <span className="sm:hidden">Today</span>}
      </Link>
      {clientName && <span className="max-w-64 truncate text-lg font-semibold max-sm:max-w-36">{clientName}</span>}
      <div className="contents max-sm:order-last max-sm:block max-sm:basis-full">{children}</div>
      <div className="ml-auto flex flex-wrap items-center justify-end gap-2 max-sm:gap-0">
        <SaveMark zone={zone} />
        <CommandBox clientId={clientId} open={openStationIds} />
        <WhoIsHere />
        <ThemeSwitch theme={theme} />
        <KeyHelp />
      </div>
    </header>
  );
}
