'use client';

import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { type StationId } from '@/core/safety';
import { useShield } from '../shield';
import { stationList } from './stations';

interface Hit {
  id: string;
  name: string;
}

const item =
  'flex min-h-11 cursor-pointer items-center rounded-one px-3 text-base data-[selected=true]:bg-ink data-[selected=true]:text-onink';

/** What {@link CommandBox} opens: a name or a place, and going there. */
export function FindBox({
  anchor,
  open,
  onOpenChange: setOpen,
  onHere,
  words,
  onWords: setWords,
  clientId,
  stations,
}: {
  /** What was pressed: it gets the focus back. */
  anchor: RefObject<HTMLElement | null>;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  /** It has come: from here on it listens itself. */
  onHere: () => void;
  words: string;
  onWords: (words: string) => void;
  clientId?: string;
  /** Stations of the client that are open. */
  stations: readonly StationId[];
}) {
  const router = useRouter();
  useShield(open);
  useEffect(() => onHere(), [onHere]);
  const [{ hits, of }, setHits] = useState<{ hits: Hit[]; of: string | null }>({ hits: [], of: null });
  const going = useRef(false);
  const field = useRef<HTMLInputElement>(null);

  useEffect(() => {
    if (!open) return;
    const abort = new AbortController();
    fetch(`/api/clients?find=${encodeURIComponent(words)}`, { signal: abort.signal })
      .then((response) => response.json() as Promise<{ clients: Hit[] }>)
      .then(({ clients }) => setHits({ hits: clients, of: words }))
      .catch(() => undefined);
    return () => abort.abort();
  }, [open, words]);

  // What came for the words before these must not be chosen for them.
  const wanted = words
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  const found = hits.filter(({ name }) => wanted.every((word) => name.toLowerCase().includes(word)));
  // That there is nobody is known once it was answered, and not while it is asked.
  const nobody = of === words && found.length === 0 ? words.trim() : '';

  const go = (href: string) => {
    going.current = true;
    setOpen(false);
    setWords('');
    router.push(href);
  };
  const places = [
    { name: 'Today', href: '/' },
    { name: 'The week', href: '/week' },
    { name: 'Add a client', href: '/clients/new' },
    { name: 'All clients', href: '/clients' },
    { name: 'Catalogue of drills', href: '/catalogue' },
    { name: 'Where schools differ', href: '/catalogue/schools' },
    { name: 'Breath under load', href: '/catalogue/load-breath' },
    { name: 'Settings', href: '/settings' },
    ...stationList
      .filter(({ id }) => clientId && stations.includes(id))
      .map(({ id, name }) => ({ name, href: `/clients/${clientId}/${id}` })),
  ].filter(({ name }) => name.toLowerCase().includes(words.toLowerCase()));

  // What is found comes after the words: the first of it is chosen then too, unless something was chosen by hand.
  const first = found[0]?.id ?? (nobody === '' ? places[0]?.href : 'add') ?? '';
  const at = `${words} ${first}`;
  const [chosen, setChosen] = useState<{ at: string; value: string } | null>(null);
  const value = chosen?.at === at ? chosen.value : first;

  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            // The dialog would choose what stands in the field already, and the next letter would take its place.
            event.preventDefault();
            field.current?.focus();
            field.current?.setSelectionRange(words.length, words.length);
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            // Where we went has a focus of its own.
            if (!going.current) anchor.current?.focus();
            going.current = false;
          }}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(92vw,34rem)] -translate-x-1/2 rounded-one border border-ink bg-paper p-2"
        >
          <Dialog.Title className="sr-only">Find a client or go somewhere</Dialog.Title>
          <Command
            shouldFilter={false}
            label="Find a client or go somewhere"
            value={value}
            onValueChange={(next) => setChosen({ at, value: next })}
          >
            <Command.Input
              ref={field}
              value={words}
              onValueChange={setWords}
              placeholder="A name, or where to go"
              className="mb-2 min-h-11 w-full border-b border-ink bg-paper px-3 text-lg outline-none placeholder:text-ink2"
            />
            <Command.List className="max-h-[55vh] overflow-auto">
              {nobody !== '' && (
                <Command.Group heading="Nobody by that name" className="text-sm text-ink2">
                  <Command.Item
                    value="add"
                    className={item}
                    onSelect={() => go(`/clients/new?name=${encodeURIComponent(nobody.slice(0, 120))}`)}
                  >
                    Add “{nobody.slice(0, 60)}” as a client
                  </Command.Item>
                </Command.Group>
              )}
              {found.length > 0 && (
                <Command.Group heading="Clients" className="text-sm text-ink2">
                  {found.map(({ id, name }) => (
                    <Command.Item key={id} value={id} className={item} onSelect={() => go(`/clients/${id}`)}>
                      {name}
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {places.length > 0 && (
                <Command.Group heading="Go to" className="mt-2 text-sm text-ink2">
                  {places.map(({ name, href }) => (
                    <Command.Item key={href} value={href} className={item} onSelect={() => go(href)}>
                      {name}
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
