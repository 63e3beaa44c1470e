'use client';

import { createPortal } from 'react-dom';
import { notOursIn } from '@/core/track';
import { Button } from '@/parts/Button';
import { Field, TextArea } from '@/parts/Field';
import { Fold } from '@/parts/Fold';
import { WhilePrinting } from '@/parts/WhilePrinting';
import { asFileName, saveFile } from '@/parts/saveFile';
import { useKept } from '@/parts/useKept';

/** A text that leaves the studio: written from the record, changed by hand, and only then on paper or in a file. */
export function Outgoing({
  title,
  what,
  keepAs,
  name,
  written,
}: {
  title: string;
  /** What it is, in a word: of its buttons and its file. */
  what: 'letter' | 'note';
  /** What it is about: changes are kept in this browser under it until it has left. */
  keepAs: string;
  name: string;
  written: string;
}) {
  const [own, change] = useKept(`kokyu.${what}.${keepAs}`);
  const text = own === '' ? written : own;
  const avoid = notOursIn(text);
  const file = `${what}-${asFileName(name.split(' ')[0] ?? name)}`;
  const asPdf = async () => {
    const { textPdf } = await import('@/parts/textPdf');
    saveFile(`${file}.pdf`, 'application/pdf', await textPdf(text));
  };
  return (
    <Fold title={title}>
      <div className="max-w-3xl space-y-3">
        <p className="text-ink2">
          Written from what was recorded. Read it and change what is not so; nothing leaves here by itself.
        </p>
        <Field label={`The ${what}`}>
          {(ids) => (
            <TextArea
              {...ids}
              rows={18}
              maxLength={12_000}
              value={text}
              onChange={(event) => change(event.target.value)}
            />
          )}
        </Field>
        {avoid.length > 0 && (
          <ul className="text-caution" aria-label="Words that are not ours to use">
            {avoid.map((words) => (
              <li key={words}>▲ {words}</li>
            ))}
          </ul>
        )}
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => window.print()}>{`Print the ${what}`}</Button>
          <Button onClick={() => void asPdf()}>As PDF</Button>
          <Button onClick={() => saveFile(`${file}.txt`, 'text/plain', `${text}\n`)}>As plain text</Button>
          {own !== '' && (
            <Button look="quiet" onClick={() => change('')}>
              Write it anew from the record
            </Button>
          )}
        </div>
      </div>
      <WhilePrinting>
        {() =>
          createPortal(
            <div data-print className="hidden whitespace-pre-line print:block">
              {text}
            </div>,
            document.body,
          )
        }
      </WhilePrinting>
    </Fold>
  );
}
