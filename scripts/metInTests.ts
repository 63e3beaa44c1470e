import type * as Dom from '@testing-library/dom';
import { neverMet } from './met';

// Where there is a page: what comes late on a machine busy with something else is waited for.
if (typeof document !== 'undefined') {
  const { configure } = jest.requireActual<typeof Dom>('@testing-library/dom');
  configure({ asyncUtilTimeout: 25_000 });
}

afterAll(() => {
  const never = neverMet();
  if (never.length > 0) throw new Error(`A condition was never met, so nothing was proved:\n${never.join('\n')}`);
});
