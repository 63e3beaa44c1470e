'use client';

import { useState } from 'react';
import { cadence, planBreaths } from '@/core/cadence';
import { type Settings } from '@/core/record';
import { send } from '@/keep';
import { Button } from '@/parts/Button';
import { Slider } from '@/parts/Slider';
import { Stepper } from '@/parts/Stepper';
import { type TimingCheck, checkTiming } from '@/parts/sound/checkTiming';
import { busOf, playNoise, playTone } from '@/parts/sound/voices';
import { type SoundKind, soundKinds, useSound } from '../live/useSound';

/** Ten minutes of breaths: long enough for a drift to show. */
const tenMinutes = planBreaths([
  { cadence: cadence(4, 6), breaths: 30 },
  { cadence: cadence(3.5, 7), breaths: 20 },
  { cadence: cadence(2, 6, { bottomPauseSeconds: 1 }), breaths: 10 },
]);

/** Loudness, lateness of the speaker, a breath to hear, and a check of the tones' timing on this machine. */
export function SoundCheck({ settings }: { settings: Settings }) {
  const { volumes, set } = useSound(settings);
  const [latency, setLatency] = useState(settings.soundLatencyMs);
  const [result, setResult] = useState<TimingCheck | 'working' | null>(null);

  const hear = () => {
    const audio = new AudioContext();
    const at = audio.currentTime + 0.1;
    const tones = busOf(audio, 'tones', volumes.tones);
    playTone(audio, tones, { atSeconds: 0, phase: 'inhale', breath: 0, kind: 'phase' }, at);
    playTone(audio, tones, { atSeconds: 2, phase: 'inhale', breath: 0, kind: 'last second' }, at + 2);
    playTone(audio, tones, { atSeconds: 3, phase: 'exhale', breath: 0, kind: 'phase' }, at + 3);
    if (volumes.noise > 0) playNoise(audio, busOf(audio, 'noise', volumes.noise), at + 3, 4);
    setTimeout(() => void audio.close(), 8000);
  };

  const check = async () => {
    setResult('working');
    setResult(await checkTiming(tenMinutes));
  };

  return (
    <div className="max-w-xl space-y-6">
      {(Object.keys(soundKinds) as SoundKind[]).map((kind) => (
        <Slider
          key={kind}
          label={soundKinds[kind].name}
          value={volumes[kind]}
          min={0}
          max={100}
          step={10}
          low="silent"
          high="loud"
          onChange={(value) => set(kind, value)}
        />
      ))}
      <Stepper
        label="The speaker is late by"
        value={latency}
        unit="ms"
        min={0}
        max={500}
        step={20}
        onChange={(next) => {
          setLatency(next);
          send('settings.change', { soundLatencyMs: next });
        }}
      />
      <p className="text-ink2">A wireless speaker is often 150 to 300 ms late. Sound is sent that much earlier.</p>
      <Button onClick={hear}>Hear one breath</Button>
      <section aria-labelledby="timing" className="border-t border-ink pt-4">
        <h2 id="timing" className="text-lg">
          Timing on this machine
        </h2>
        <p className="text-ink2">
          Renders ten minutes of tones, as they would be handed to the sound card, and measures where they begin.
        </p>
        <Button className="mt-2" disabled={result === 'working'} onClick={() => void check()}>
          {result === 'working' ? 'Measuring…' : 'Measure it'}
        </Button>
        {result !== null && result !== 'working' && (
          <p className="mt-3 text-lg" role="status">
            {result.worstMs === null
              ? `${result.found} onsets were found where ${result.planned} were planned. Reload the page and measure again.`
              : `${result.planned} tones, each within ${result.worstMs.toFixed(2)} ms of its plan.`}
          </p>
        )}
      </section>
    </div>
  );
}
