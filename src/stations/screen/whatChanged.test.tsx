import { renderToStaticMarkup as html } from 'react-dom/server';
import { clientView } from '../view.fixtures';
import { WhatChanged } from './WhatChanged';

test('before the page listens, what changed can’t be answered: an answer pressed then would be lost', () => {
  const view = clientView();
  const page = html(<WhatChanged view={{ ...view, last: { day: '2026-10-19' } as never, gatesThen: view.gates }} />);
  const buttons = page.match(/<button[^>]*>/g) ?? [];
  expect(buttons).toHaveLength(2);
  for (const button of buttons) expect(button).toMatch(/ disabled=""/);
});
