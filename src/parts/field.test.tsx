/** @jest-environment jsdom */
import { TextEncoder } from 'node:util';
import { cleanup, render, screen } from '@testing-library/react';
import { NamedSelect } from './Field';

afterEach(cleanup);

const select = <NamedSelect label="Paper" value="A4" choices={[['A4', 'A4']]} onChange={() => undefined} />;

test('a select takes nothing until the page listens: what was chosen before would show and be nowhere', async () => {
  Object.assign(globalThis, { TextEncoder });
  const { renderToStaticMarkup } = await import('react-dom/server');
  expect(renderToStaticMarkup(select)).toMatch(/<select[^>]* disabled/);
  render(select);
  expect((screen.getByRole('combobox', { name: 'Paper' }) as HTMLSelectElement).disabled).toBe(false);
});
