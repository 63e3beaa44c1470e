'use client';

import { type ReactNode, useId } from 'react';

/** A file to be chosen. The same one chosen again is read again. */
export function FileField({
  label,
  accept,
  disabled = false,
  onFile,
}: {
  label: ReactNode;
  accept: string;
  disabled?: boolean;
  onFile: (file: File | undefined) => void;
}) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className="mt-3 block text-sm text-ink2">
        {label}
      </label>
      <input
        id={id}
        type="file"
        accept={accept}
        disabled={disabled}
        className="min-h-11 max-w-full py-2 file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-one file:border file:border-solid file:border-ink file:bg-paper file:px-4 file:font-semibold file:text-ink"
        onChange={(event) => {
          onFile(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </>
  );
}
