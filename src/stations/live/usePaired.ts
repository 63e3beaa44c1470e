'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type PairKind } from '@/core/access';
import { type ClientFrame, type PairedMessage, type RemoteFrame, type RemotePress, pressHolds } from '@/core/coach';
import { patiently } from '@/parts/patiently';
import { streamFrom } from './listening';

/** Said again this often: a device that hears nothing goes blank or says so. */
const everyMs = 1000;
/** So many presses are told to have been taken. */
const toldOf = 6;
/** What is told waits this long for the server: after that the next is truer. */
const tellWithinMs = 2000;

/** A device that goes along with the run, and whether it is heard just now. */
export interface PairedDevice {
  id: string;
  kind: PairKind;
  device: string;
  here: boolean;
}

interface Shown {
  screen: () => ClientFrame;
  remote: (taken: string[]) => RemoteFrame;
  onPress: (press: RemotePress) => void;
}

/**
 * Tells the devices of a run what to show, and does what remotes press, by the same acts a finger on this screen has.
 *
 * @param changes told at once whenever one of them differs
 * @param active whether any device may be there, and this page has the say
 */
export function usePaired(
  runId: string,
  shown: Shown,
  nowMs: () => number,
  changes: readonly unknown[],
  active: boolean,
  known: readonly PairedDevice[],
): readonly PairedDevice[] {
  const ask = useRef(shown);
  useEffect(() => {
    ask.current = shown;
  });
  const [devices, setDevices] = useState(known);
  const [taken, setTaken] = useState<readonly string[]>([]);
  const seen = useRef(new Set<string>());
  const latest = useRef(taken);
  useEffect(() => {
    latest.current = taken;
  }, [taken]);

  const tell = useCallback(
    (last = false) => {
      const remote = ask.current.remote([...latest.current]);
      const message: PairedMessage = {
        runId,
        screen: { frame: last ? { kind: 'rest', words: 'Rest' } : ask.current.screen(), sentAtMs: nowMs() },
        remote: last ? { ...remote, status: 'stopped', main: null } : remote,
      };
      void fetch('/api/paired/tell', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(message),
        signal: AbortSignal.timeout(tellWithinMs),
        // What is not heard is said again within the second.
      }).catch(() => undefined);
    },
    [runId, nowMs],
  );

  const key = [...changes, taken.join()].map(String).join('|');
  useEffect(() => {
    if (!active) return;
    tell();
    const timer = setInterval(() => tell(), everyMs);
    return () => clearInterval(timer);
  }, [tell, key, active]);
  const leave = useRef<(() => void) | null>(null);
  useEffect(() => {
    leave.current = active ? () => tell(true) : null;
  }, [tell, active]);
  // The live screen is left, or taken away by an emergency that was told elsewhere: nobody is paced by what was said last.
  useEffect(() => () => leave.current?.(), []);

  useEffect(() => {
    if (!active) return;
    // How far the server’s clock is from this one’s: a press that lay somewhere is known by its age.
    let apartMs = 0;
    // Only a run with a remote has presses to check.
    const reading = patiently(() => import('./readPress'));
    return streamFrom(
      `/api/paired/heed?run=${encodeURIComponent(runId)}`,
      {
        hello: ({ serverMs }: { serverMs: number }) => {
          apartMs = Date.now() - serverMs;
        },
        devices: (told: { devices: PairedDevice[] }) => setDevices(told.devices),
        press: async (data: { serverMs: number }) => {
          const press = (await reading).readPress(data);
          if (!press || seen.current.has(press.id)) return;
          seen.current.add(press.id);
          const ageMs = Date.now() - data.serverMs - apartMs;
          if (!pressHolds(press, ask.current.remote([]), ageMs)) return;
          ask.current.onPress(press);
          setTaken((before) => [...before, press.id].slice(-toldOf));
        },
      },
      () => setDevices([]),
    );
  }, [runId, active]);

  return devices;
}
