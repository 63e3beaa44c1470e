import type * as Dom from '@testing-library/dom';
import type * as Around from '../src/parts/around.fakes';
import { neverMet } from './met';

const mockAround = () => jest.requireActual<typeof Around>('../src/parts/around.fakes');
jest.mock('next/navigation', () => mockAround().navigation);
jest.mock('../src/parts/say', () => mockAround().messages);
beforeEach(() => mockAround().asAtFirst());

// Where there is a page: what comes late on a machine busy with something else is waited for.
if (typeof document !== 'undefined') {
  const { configure } = jest.requireActual<typeof Dom>('@testing-library/dom');
  configure({ asyncUtilTimeout: 25_000 });

  // The test's browser goes through its own sheet for every element a name is read from: a fourth of the time of a test that asks for
  // parts by name. Where the page brings no sheet, what shows is what stands in the element itself, and what is hidden isn't shown.
  const worked = window.getComputedStyle.bind(window);
  const unseen = new Set(['HEAD', 'SCRIPT', 'STYLE', 'TEMPLATE', 'TITLE']);
  window.getComputedStyle = (element, pseudo) => {
    if (document.styleSheets.length > 0 || pseudo) return worked(element, pseudo);
    const { style, hidden, tagName } = element as HTMLElement;
    const display = style.display || (hidden || unseen.has(tagName) ? 'none' : '');
    const asked = (name: string) => (name === 'display' ? display : style.getPropertyValue(name));
    return new Proxy(style, {
      get: (_, name) =>
        name === 'display' ? display : name === 'getPropertyValue' ? asked : (Reflect.get(style, name) as unknown),
    });
  };
}

afterAll(() => {
  const never = neverMet();
  if (never.length > 0) throw new Error(`A condition was never met, so nothing was proved:\n${never.join('\n')}`);
});
