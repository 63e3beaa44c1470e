/** @jest-environment jsdom */
import { act, cleanup, renderHook } from '@testing-library/react';
import { useDraft } from './useDraft';
import { useKept, useKeptValue } from './useKept';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

describe('words that aren’t a record yet', () => {
  test('are there again after a reload, and gone once changed to nothing', () => {
    const first = renderHook(() => useKept('note'));
    act(() => first.result.current[1]('hoarse by four'));
    first.unmount();
    const again = renderHook(() => useKept('note'));
    expect(again.result.current[0]).toBe('hoarse by four');
    act(() => again.result.current[1](''));
    expect(again.result.current[0]).toBe('');
    expect(localStorage).toHaveLength(0);
  });

  test('are the same wherever they are shown, in this window and from another', () => {
    const [here, there] = [renderHook(() => useKept('note')), renderHook(() => useKept('note'))];
    act(() => here.result.current[1]('wide'));
    expect(there.result.current[0]).toBe('wide');
    act(() => {
      localStorage.setItem('note', 'from the other window');
      window.dispatchEvent(new StorageEvent('storage', { key: 'note' }));
    });
    expect(here.result.current[0]).toBe('from the other window');
  });

  test('of one person never show up with another', () => {
    const one = renderHook(() => useKept('note.ada'));
    act(() => one.result.current[1]('dizzy'));
    expect(renderHook(() => useKept('note.ilse')).result.current[0]).toBe('');
  });

  test.each([
    ['nothing', null, null],
    ['something with parts', '{"seconds":12.5}', { seconds: 12.5 }],
    ['what a broken write left', '{"seconds":1', null],
  ])('with parts, from %s', (_, kept, value) => {
    if (kept !== null) localStorage.setItem('hold', kept);
    const { result } = renderHook(() => useKeptValue<{ seconds: number }>('hold'));
    expect(result.current[0]).toEqual(value);
    act(() => result.current[1]({ seconds: 3 }));
    expect(localStorage.getItem('hold')).toBe('{"seconds":3}');
    act(() => result.current[1](null));
    expect(localStorage).toHaveLength(0);
  });
});

describe('a value that saves itself while it is typed', () => {
  const typing = () => {
    jest.useFakeTimers();
    const saved: string[] = [];
    return { saved, ...renderHook(() => useDraft<string>('', (value) => void saved.push(value))) };
  };
  const type = (hook: ReturnType<typeof typing>, value: string) => act(() => hook.result.current.change(value));

  test('after a rest of the hand, once, with what was typed last', () => {
    const hook = typing();
    for (const value of ['s', 'st', 'stiff']) {
      type(hook, value);
      jest.advanceTimersByTime(200);
    }
    expect(hook.saved).toEqual([]);
    jest.advanceTimersByTime(600);
    expect(hook.saved).toEqual(['stiff']);
    expect(hook.result.current.value).toBe('stiff');
  });

  test.each([
    ['leaving the field', (hook: ReturnType<typeof typing>) => hook.result.current.commit()],
    ['the page going away', () => window.dispatchEvent(new Event('pagehide'))],
    ['the tab being hidden', () => document.dispatchEvent(new Event('visibilitychange'))],
    ['the part going from the page', (hook: ReturnType<typeof typing>) => hook.unmount()],
  ])('%s saves at once, and not a second time', (_, leave) => {
    const hook = typing();
    type(hook, 'stiff ribs');
    act(() => void leave(hook));
    expect(hook.saved).toEqual(['stiff ribs']);
    jest.advanceTimersByTime(5000);
    expect(hook.saved).toEqual(['stiff ribs']);
  });
});
