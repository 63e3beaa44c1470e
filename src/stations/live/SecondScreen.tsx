'use client';

import { useCallback, useState } from 'react';
import { ClientScreen } from './ClientScreen';
import { type Listen, fromLiveScreen } from './listening';
import { Told } from './Told';

/** A tablet in the room: what the client’s window shows, until the run ends. */
export function SecondScreen() {
  const [over, setOver] = useState(false);
  const listen: Listen = useCallback((take) => fromLiveScreen('screen', take, () => setOver(true)), []);
  return over ? <Told>Thank you. That was all for now.</Told> : <ClientScreen listen={listen} />;
}
