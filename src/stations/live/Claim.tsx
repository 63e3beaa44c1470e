'use client';

import { useEffect, useRef, useState } from 'react';
import { Told } from './Told';

/** A device has read a code: it says so once, and goes on to what it is for from now on. */
export function Claim({ code }: { code: string }) {
  const asked = useRef(false);
  const [why, setWhy] = useState<string | null>(null);
  useEffect(() => {
    // The code is used up by being shown: never twice from one page.
    if (asked.current) return;
    asked.current = true;
    const claim = async () => {
      try {
        const response = await fetch('/api/paired/claim', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ code }),
        });
        const { kind, why: refused } = (await response.json()) as { kind?: string; why?: string };
        if (kind) location.replace(`/paired/${kind}`);
        else setWhy(refused ?? 'The server did not take it.');
      } catch {
        setWhy('The server did not answer. Read the code once more.');
      }
    };
    void claim();
  }, [code]);
  return why === null ? <Told>One moment</Told> : <Told alert>{why}</Told>;
}
