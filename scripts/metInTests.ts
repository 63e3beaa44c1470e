import { neverMet } from './met';

afterAll(() => {
  const never = neverMet();
  if (never.length > 0) throw new Error(`A condition was never met, so nothing was proved:\n${never.join('\n')}`);
});
