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
    <header className="screen-only sticky top-0 z-20 flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule bg-paper px-4 py-1 lg:px-7">
      <Link
        href="/"
        // Beside a name it makes room for it: in one line on a tablet, too.
        className={`flex min-h-11 items-center font-semibold hover:underline ${clientName ? 'max-lg:max-w-32' : ''}`}
      >
        <span className="truncate">{studioName}</span>
      </Link>
      {clientName && <span className="max-w-64 truncate text-lg font-semibold">{clientName}</span>}
      {children}
      <div className="ml-auto flex items-center gap-2">
        <SaveMark zone={zone} />
        <CommandBox clientId={clientId} open={openStationIds} />
        <WhoIsHere />
        <ThemeSwitch theme={theme} />
        <KeyHelp />
      </div>
    </header>
  );
}
