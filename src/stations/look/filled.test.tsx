/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type ReactNode } from 'react';
import { type FormField, type FormProtocol, formProtocols, forms, protocols, rawSchemas } from '@/core/look';
import { browserFakes, doing, pass, sent } from '@/parts/browser.fakes';
import { viewOf } from '../live/coach.fixtures';
import { Shown } from '../shown.fixtures';
import { type LookView } from '../view';
import { FormLook } from './FormLook';
import { QuietLook } from './QuietLook';
import { Stack } from './Stack';

/** The screens with a form on them; every other protocol is its fields alone. */
const screens: Partial<Record<FormProtocol, (props: { view: LookView }) => ReactNode>> = {
  quietLook: QuietLook,
  stack: Stack,
};

beforeEach(() => {
  jest.useFakeTimers({ now: Date.UTC(2026, 10, 25, 10) });
  browserFakes();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const kept = () => (sent.at(-1)?.payload as { raw: Record<string, unknown> } | undefined)?.raw ?? {};
const press = (element: HTMLElement) => doing(() => fireEvent.click(element));

const labelOf = (element: Element) =>
  element.getAttribute('aria-label') ??
  document.getElementById(element.getAttribute('aria-labelledby') ?? '')?.textContent;
/** What has a role and a name, looked up straight: a form has a hundred chips, and each is looked up some times. */
const named = (roles: string, name: string, within: ParentNode = document) =>
  [...within.querySelectorAll(roles)].find((one) => (labelOf(one) ?? one.textContent) === name) as HTMLElement;
const chip = (question: string, words: string) =>
  named('button', words, named('[role=radiogroup], [role=toolbar], [role=group]', question));

/** Ways to answer a field by hand, each with what it is to be kept as; the last is what stays. */
function answersOf(field: FormField): { by: () => Promise<void>; as: unknown }[] {
  const chosen = (words: string) => () => press(chip(field.question, words));
  switch (field.kind) {
    case 'choice':
      return [{ by: chosen(field.choices[0]![1]), as: field.choices[0]![0] }];
    case 'grade':
      return [
        { by: chosen(field.words[2]), as: 2 },
        { by: chosen('Not seen'), as: null },
      ];
    case 'ticks': {
      const [[first, words], [last, others]] = [field.choices[0]!, field.choices.at(-1)!];
      const none = field.none === undefined ? [] : [{ by: chosen(field.none), as: [] }];
      return [
        ...none,
        { by: chosen(others), as: [last] },
        { by: chosen(words), as: expect.arrayContaining([first, last]) },
      ];
    }
    case 'scale':
      return [{ by: () => slideTo(field.question, 'End'), as: 10 }];
    case 'seconds':
      return [
        {
          by: async () => {
            await press(screen.getByText('Start the exhale'));
            await pass(4.2);
            await press(screen.getByText('Stop at the end'));
          },
          as: [4.2],
        },
      ];
  }
}

const slideTo = (question: string, key: string) =>
  doing(() => {
    const slider = named('[role=slider]', question);
    fireEvent.focus(slider);
    fireEvent.keyDown(slider, { key });
  });

test.each(formProtocols.map((id) => [protocols[id].name, id] as const))(
  '%s: every field is answered by hand, kept as it was answered, and leaves the others as they were',
  async (_, id: FormProtocol) => {
    const Screen = screens[id] ?? ((props: { view: LookView }) => <FormLook {...props} protocol={id} />);
    render(<Shown view={viewOf()}>{(view) => <Screen view={view} />}</Shown>);
    const said: Record<string, unknown> = {};
    for (const field of forms[id]) {
      // One that goes with an answer of another is asked once that was given.
      if (field.when && said[field.when.key] !== field.when.is) {
        const other = forms[id].find(({ key }) => key === field.when!.key)!;
        if (other.kind !== 'choice') throw new Error(`${other.key} is no choice`);
        const words = other.choices.find(([key]) => key === field.when!.is)![1];
        await press(chip(other.question, words));
        said[other.key] = field.when.is;
      }
      for (const { by, as } of answersOf(field)) {
        await by();
        said[field.key] = as;
        expect([id, field.key, kept()]).toEqual([id, field.key, expect.objectContaining(said)]);
      }
    }
    expect(rawSchemas[id].safeParse(kept()).success).toBe(true);
  },
);
