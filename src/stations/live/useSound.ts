'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { type Settings } from '@/core/record';
import { send } from '@/keep';

export const soundKinds = {
  tones: { setting: 'toneVolume', name: 'Tones', usual: 60 },
  noise: { setting: 'noiseVolume', name: 'Exhale noise', usual: 50 },
  voice: { setting: 'voiceVolume', name: 'Spoken cues', usual: 70 },
} as const satisfies Record<string, { setting: keyof Settings; name: string; usual: number }>;
export type SoundKind = keyof typeof soundKinds;

export type Volumes = Record<SoundKind, number>;

/** Loudness of each kind of sound, kept as a setting; muted together for now without losing it. */
export function useSound(settings: Settings) {
  const [volumes, setVolumes] = useState<Volumes>({
    tones: settings.toneVolume,
    noise: settings.noiseVolume,
    voice: settings.voiceVolume,
  });
  const [muted, setMuted] = useState(false);
  const set = useCallback((kind: SoundKind, volume: number) => {
    setVolumes((all) => ({ ...all, [kind]: volume }));
    send('settings.change', { [soundKinds[kind].setting]: volume });
  }, []);
  const heard: Volumes = muted ? { tones: 0, noise: 0, voice: 0 } : volumes;
  return { volumes, heard, set, muted, setMuted };
}

/** Whether this browser has a voice at all; it may learn of one only after a moment. */
export function useHasVoice(): boolean {
  const [has, setHas] = useState(false);
  useEffect(() => {
    if (typeof speechSynthesis === 'undefined') return;
    const look = () => setHas(speechSynthesis.getVoices().length > 0);
    look();
    speechSynthesis.addEventListener('voiceschanged', look);
    return () => speechSynthesis.removeEventListener('voiceschanged', look);
  }, []);
  return has;
}

/** Speaks a cue when it comes and when it changes, through the browser's own voice, while the run goes on. */
export function useSpokenCue(words: string, running: boolean, volume: number) {
  const said = useRef('');
  useEffect(() => {
    if (!running || volume === 0 || typeof speechSynthesis === 'undefined' || said.current === words) return;
    if (speechSynthesis.getVoices().length === 0) return;
    said.current = words;
    speechSynthesis.cancel();
    const utterance = new SpeechSynthesisUtterance(words);
    utterance.volume = volume / 100;
    utterance.rate = 0.9;
    speechSynthesis.speak(utterance);
  }, [words, running, volume]);
  useEffect(() => {
    if (running && volume > 0) return;
    if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
  }, [running, volume]);
}
