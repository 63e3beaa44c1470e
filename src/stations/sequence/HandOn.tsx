'use client';

import { counted } from '@/core/reasons';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { itemsOf, planFile, templateOf } from '@/core/formats';
import { intentInWords } from '@/core/read';
import { type Plan, type PlanItem } from '@/core/sequence';
import { newId, send, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { Field, TextInput } from '@/parts/Field';
import { saveFile } from '@/parts/saveFile';
import { say } from '@/parts/say';
import { scoreSheetSvg } from '@/parts/figures/score/scoreSheet';
import { type ClientView } from '../view';
import { scoreItems } from './words';

/** Keeping the plan as a template, beginning from one, and handing it on: on paper, as a picture, as a file. */
export function HandOn({
  view,
  plan,
  onItems,
}: {
  view: ClientView<'planning'>;
  plan: Plan | null;
  onItems: (items: PlanItem[]) => void;
}) {
  const router = useRouter();
  const keep = useKeep();
  const templates = view.planning.templates;
  const [name, setName] = useState('');
  const [error, setError] = useState<string | null>(null);

  const saveTemplate = async () => {
    if (!plan) return;
    const templateId = newId();
    const outcome = await keep('template.save', { templateId, name, template: templateOf(plan) });
    setError(outcome.state === 'refused' ? outcome.why : null);
    if (outcome.state === 'refused') return;
    setName('');
    router.refresh();
    say('Kept as a template, without anything of this client.', () => {
      send('template.remove', { templateId });
    });
  };
  const removeTemplate = (templateId: string) => {
    send('template.remove', { templateId });
    say('The template is taken off.', () => send('template.restore', { templateId }));
  };
  const sheet = (each: Plan) =>
    scoreSheetSvg(scoreItems(each, [], view.settings.weightUnit), {
      title: intentInWords(each.request.intent, each.request.side ?? undefined),
      studio: view.settings.studioName,
      minutes: each.request.minutes,
    });
  const asSvg = () => plan && saveFile('plan.svg', 'image/svg+xml', sheet(plan));
  const asPdf = async () => {
    if (!plan) return;
    const { sheetPdf } = await import('@/parts/sheetPdf');
    saveFile('plan.pdf', 'application/pdf', await sheetPdf([sheet(plan)]));
  };
  const asJson = () => {
    if (!plan) return;
    const file = planFile(plan, {
      studioName: view.settings.studioName,
      provider: `The coach of ${view.settings.studioName}; see the studio’s own records for qualifications.`,
    });
    saveFile('plan.json', 'application/json', `${JSON.stringify(file, null, 2)}\n`);
  };

  return (
    <details className="mt-3 border-t border-rule pt-3">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">Templates, print and files</summary>
      <div className="grid gap-x-10 gap-y-4 pb-3 md:grid-cols-2">
        <div>
          <h3 className="text-base">Templates</h3>
          {plan && plan.items.length > 0 && (
            <form
              className="mt-1 flex flex-wrap items-end gap-3"
              onSubmit={(event) => {
                event.preventDefault();
                void saveTemplate();
              }}
            >
              <div className="w-64">
                <Field label="Keep this plan as a template" error={error}>
                  {(ids) => (
                    <TextInput
                      {...ids}
                      value={name}
                      onChange={(event) => setName(event.target.value)}
                      placeholder="A name"
                    />
                  )}
                </Field>
              </div>
              <Button type="submit" disabled={name.trim() === ''}>
                Keep it
              </Button>
            </form>
          )}
          {templates.length === 0 && <p className="mt-2 text-ink2">No templates yet.</p>}
          <ul className="mt-2">
            {templates.map(({ id, name: called, template }) => (
              <li key={id} className="flex flex-wrap items-center gap-x-3 border-t border-rule">
                <span className="grow">
                  {called} <span className="text-ink2">({counted(template.items.length, 'drill')})</span>
                </span>
                <Button look="quiet" onClick={() => onItems(itemsOf(template, newId))}>
                  Begin from it <span className="sr-only">{called}</span>
                </Button>
                <Button look="quiet" onClick={() => void removeTemplate(id)}>
                  Take off <span className="sr-only">{called}</span>
                </Button>
              </li>
            ))}
          </ul>
          {templates.length > 0 && (
            <p className="mt-1 text-sm text-ink2">
              A template is checked against this client’s limits of today; nothing in it is changed without you.
            </p>
          )}
        </div>
        {plan && plan.items.length > 0 && (
          <div>
            <h3 className="text-base">Print and files</h3>
            <div className="mt-1 flex flex-wrap gap-2">
              <Button onClick={() => window.print()}>Print</Button>
              <Button onClick={asSvg}>Score as SVG</Button>
              <Button onClick={() => void asPdf()}>Score as PDF</Button>
              <Button onClick={asJson}>Plan as JSON</Button>
            </div>
            <p className="mt-1 text-sm text-ink2">
              The JSON answers the sixteen things an exercise prescription must state; its schema is in docs/formats.
            </p>
          </div>
        )}
      </div>
    </details>
  );
}
