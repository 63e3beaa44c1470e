'use client';

import { useCallback, useEffect, useRef } from 'react';
import { type Phase, tonesBetween } from '@/core/cadence';
import { type ClockBridge, audioTimeOf, lateSeconds, observeClocks, timelineOf } from '@/core/coach';
import { type LiveRun } from './useRun';

/** How far ahead tones are handed to the sound card, and how often. Ahead of a throttled timer in a hidden tab. */
const aheadSeconds = 1.6;
const everyMs = 200;

/** A soft glide a phase: up for in, down for out, level for a pause. Hertz and seconds. */
const shapes: Readonly<Record<Phase, { from: number; to: number; seconds: number; loudness: number }>> = {
  inhale: { from: 330, to: 494, seconds: 0.34, loudness: 1 },
  topPause: { from: 494, to: 494, seconds: 0.14, loudness: 0.5 },
  exhale: { from: 440, to: 294, seconds: 0.42, loudness: 1 },
  bottomPause: { from: 294, to: 294, seconds: 0.14, loudness: 0.5 },
};

/** Sounds the phases of a run, scheduled ahead on the audio clock and kept in step with the run's clock. */
export function useTones(run: LiveRun, volume: number) {
  const context = useRef<AudioContext | null>(null);
  const { nowMs } = run;
  const { status, anchorEpochMs, cursorSeconds, items } = run.state;

  /** Audio may only begin with a gesture; the start of the run is one. */
  const wake = useCallback(() => {
    if (typeof AudioContext === 'undefined') return;
    context.current ??= new AudioContext();
    void context.current.resume();
  }, []);

  useEffect(
    () => () => {
      void context.current?.close();
      context.current = null;
    },
    [],
  );

  useEffect(() => {
    const audio = context.current;
    if (status !== 'running' || anchorEpochMs === null || !audio || volume === 0) return;
    const bus = audio.createGain();
    bus.gain.value = (volume / 100) * 0.35;
    bus.connect(audio.destination);
    const timeline = timelineOf(items);
    const cursorNow = () => cursorSeconds + (nowMs() - anchorEpochMs) / 1000;
    let bridge: ClockBridge | null = null;
    let doneTo = cursorNow();

    const schedule = () => {
      const cursor = cursorNow();
      bridge = observeClocks(bridge, audio.currentTime, cursor);
      const upTo = cursor + aheadSeconds;
      for (const timed of timeline.segments) {
        if (!timed.breaths || timed.endSeconds <= doneTo || timed.startSeconds >= upTo) continue;
        const tones = tonesBetween(timed.breaths, doneTo - timed.startSeconds, upTo - timed.startSeconds);
        for (const tone of tones) {
          const at = audioTimeOf(bridge, timed.startSeconds + tone.atSeconds);
          if (at >= audio.currentTime - lateSeconds) sound(audio, bus, tone.phase, Math.max(at, audio.currentTime));
        }
      }
      doneTo = Math.max(doneTo, upTo);
    };
    schedule();
    const timer = setInterval(schedule, everyMs);
    return () => {
      clearInterval(timer);
      // What was handed over for later must not sound once the run waits or has jumped.
      bus.gain.cancelScheduledValues(audio.currentTime);
      bus.gain.setTargetAtTime(0, audio.currentTime, 0.02);
      setTimeout(() => bus.disconnect(), 200);
    };
    // Only what moves the clock starts it anew: a fault or a breath mark must not cut a tone short.
  }, [status, anchorEpochMs, cursorSeconds, items, nowMs, volume]);

  return { wake };
}

function sound(audio: AudioContext, bus: GainNode, phase: Phase, at: number) {
  const { from, to, seconds, loudness } = shapes[phase];
  const tone = audio.createOscillator();
  const envelope = audio.createGain();
  tone.type = 'sine';
  tone.frequency.setValueAtTime(from, at);
  tone.frequency.exponentialRampToValueAtTime(to, at + seconds);
  envelope.gain.setValueAtTime(0, at);
  envelope.gain.linearRampToValueAtTime(loudness, at + 0.03);
  envelope.gain.setTargetAtTime(0, at + seconds * 0.6, seconds * 0.16);
  tone.connect(envelope).connect(bus);
  tone.start(at);
  tone.stop(at + seconds * 2);
}
