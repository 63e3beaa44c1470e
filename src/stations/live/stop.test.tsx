/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { type RunEvent } from '@/core/coach';
import { browserFakes, doing } from '@/parts/browser.fakes';
import { StopPanel } from './StopPanel';

beforeEach(() => {
  browserFakes();
  localStorage.clear();
});
afterEach(cleanup);

function panel() {
  const settled: RunEvent[] = [];
  const emergencies: string[] = [];
  render(
    <StopPanel
      draftKey="stop"
      emergencyNumber="999"
      hasEasier
      onSettled={(event) => settled.push(event)}
      onEmergency={(sign) => emergencies.push(sign)}
    />,
  );
  return { settled, emergencies };
}
const tap = (name: string | RegExp) => doing(() => fireEvent.click(screen.getByRole('button', { name })));

describe('after a stop', () => {
  test('“it was nothing” is there only while nothing was noticed', async () => {
    panel();
    expect(screen.queryByRole('button', { name: 'It was nothing: go on' })).toBeTruthy();
    await tap('dizziness');
    expect(screen.queryByRole('button', { name: 'It was nothing: go on' })).toBeNull();
    await tap('dizziness');
    expect(screen.queryByRole('button', { name: 'It was nothing: go on' })).toBeTruthy();
  });

  test.each([
    ['chest tightness', 'chestPain'],
    ['feeling faint', 'fainting'],
  ])(
    '%s opens what to do in an emergency at once; happening, it is logged and the drills end',
    async (symptom, sign) => {
      const { settled, emergencies } = panel();
      await tap(symptom);
      expect(screen.getByText('Stop. Call 999.')).toBeTruthy();
      await tap('It is happening: log it and stop');
      expect(emergencies).toEqual([sign]);
      expect(settled).toMatchObject([{ type: 'settled', symptoms: [symptom], then: 'refer' }]);
    },
  );

  test('no emergency leaves the symptom ticked, and still no “it was nothing”', async () => {
    const { settled, emergencies } = panel();
    await tap('chest tightness');
    await tap('No emergency: back to what was noticed');
    expect(screen.queryByRole('button', { name: 'It was nothing: go on' })).toBeNull();
    await tap('Settled: end the drills for today');
    expect(emergencies).toEqual([]);
    expect(settled).toMatchObject([{ symptoms: ['chest tightness'], then: 'end' }]);
  });
});
