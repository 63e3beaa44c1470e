'use client';

import { useCallback, useEffect, useRef } from 'react';
import { noisesBetween, tonesBetween } from '@/core/cadence';
import { type ClockBridge, audioTimeOf, lateSeconds, modeOf, observeClocks, timelineOf, waitsAt } from '@/core/coach';
import { busOf, playNoise, playTone } from '@/parts/sound/voices';
import { type LiveRun } from './useRun';

/** How far ahead tones are handed to the sound card, and how often. Ahead of a throttled timer in a hidden tab. */
const aheadSeconds = 1.6;
const everyMs = 200;
/** What began up to this long before the run was set going is sounded at once: the first tone is not lost to a slow page. */
const overdueSeconds = 0.2;

export interface Loudness {
  /** 0 to 100 each; 0 is silent. */
  tones: number;
  noise: number;
  latencyMs: number;
}

/** Sounds the phases of a run and the exhale's noise, scheduled ahead on the audio clock and kept in step with the run's. */
export function useTones(run: LiveRun, { tones, noise, latencyMs }: Loudness) {
  const context = useRef<AudioContext | null>(null);
  const { nowMs } = run;
  const { status, anchorEpochMs, cursorSeconds, items, modes } = run.state;
  const limit = waitsAt(run.state);

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
    if (status !== 'running' || anchorEpochMs === null || !audio || (tones === 0 && noise === 0)) return;
    const buses = { tones: busOf(audio, 'tones', tones), noise: busOf(audio, 'noise', noise) };
    const timeline = timelineOf(items);
    const cursorNow = () => Math.min(limit, cursorSeconds + (nowMs() - anchorEpochMs) / 1000);
    let bridge: ClockBridge | null = null;
    const began = cursorNow();
    let doneTo = began - overdueSeconds;

    const schedule = () => {
      const cursor = cursorNow();
      bridge = observeClocks(bridge, audio.currentTime, cursor);
      const upTo = cursor + aheadSeconds;
      const first = doneTo < began;
      const allowed = first ? overdueSeconds : lateSeconds;
      const audioAt = (runSeconds: number) => audioTimeOf(bridge!, runSeconds, latencyMs / 1000);
      for (const { item, breaths, startSeconds, endSeconds } of timeline.segments) {
        // What goes at the client's own pace is not sounded, nor what comes after it before it is there.
        if (startSeconds > limit || modeOf({ items, modes }, item) === 'tapped') continue;
        if (!breaths || endSeconds <= doneTo || startSeconds >= upTo) continue;
        const [from, to] = [doneTo - startSeconds, upTo - startSeconds];
        for (const tone of tones > 0 ? tonesBetween(breaths, from, to) : []) {
          const at = audioAt(startSeconds + tone.atSeconds);
          if (at >= audio.currentTime - allowed) playTone(audio, buses.tones, tone, Math.max(at, audio.currentTime));
        }
        // Taken up in the middle of an exhale, its noise is taken up too.
        const since = first ? from - 60 : from;
        for (const { atSeconds, seconds } of noise > 0 ? noisesBetween(breaths, since, to) : []) {
          const at = Math.max(audioAt(startSeconds + atSeconds), audio.currentTime);
          const end = audioAt(startSeconds + atSeconds + seconds);
          if (end - at > 0.3) playNoise(audio, buses.noise, at, end - at);
        }
      }
      doneTo = Math.max(doneTo, upTo);
    };
    schedule();
    const timer = setInterval(schedule, everyMs);
    return () => {
      clearInterval(timer);
      // What was handed over for later must not sound once the run waits or has jumped.
      for (const { gain } of Object.values(buses)) {
        gain.cancelScheduledValues(audio.currentTime);
        gain.setTargetAtTime(0, audio.currentTime, 0.02);
      }
      setTimeout(() => Object.values(buses).forEach((gain) => gain.disconnect()), 200);
    };
    // Only what moves the clock starts it anew: a fault or a breath mark must not cut a tone short.
  }, [status, anchorEpochMs, cursorSeconds, items, modes, limit, nowMs, tones, noise, latencyMs]);

  return { wake };
}
