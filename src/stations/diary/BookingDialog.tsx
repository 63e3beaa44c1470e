'use client';

import dynamic from 'next/dynamic';
import { type ComponentProps, useEffect } from 'react';
import { type BookingForm, type Wanted } from './BookingForm';
import { patiently } from '@/parts/patiently';
import { useShield } from '@/parts/shield';

const Form = dynamic(() => patiently(() => import('./BookingForm')).then(({ BookingForm }) => BookingForm), {
  ssr: false,
});

/** The booking form. Nobody begins with it: it is fetched once the page stands, and opens at once from then on. */
export function BookingDialog({
  wanted,
  ...rest
}: Omit<ComponentProps<typeof BookingForm>, 'wanted'> & { wanted: Wanted | null }) {
  useShield(wanted !== null);
  useEffect(() => void patiently(() => import('./BookingForm')), []);
  return wanted && <Form wanted={wanted} {...rest} />;
}
