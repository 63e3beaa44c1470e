'use client';

import { useState } from 'react';
import { type Settings } from '@/core/record';
import { schoolIds, schools } from '@/core/schools';
import { keep } from '@/keep';
import { Field, Select, TextInput } from '@/parts/Field';
import { Stepper } from '@/parts/Stepper';
import { useDraft } from '@/parts/useDraft';

function useSetting<K extends keyof Settings>(key: K) {
  const [error, setError] = useState<string | null>(null);
  const save = async (value: Settings[K]) => {
    const outcome = await keep('settings.change', { [key]: value });
    setError(outcome.state === 'refused' ? outcome.why : null);
  };
  return { save, error };
}

export function SettingsForm({ settings }: { settings: Settings }) {
  const school = useSetting('homeSchool');
  const minutes = useSetting('defaultMinutes');
  const volume = useSetting('toneVolume');
  return (
    <div className="max-w-xl space-y-6">
      <TextSetting settingKey="studioName" label="Studio name" initial={settings.studioName} />
      <TextSetting
        settingKey="emergencyNumber"
        label="Local emergency number"
        hint="Shown in large figures when an emergency sign is logged."
        initial={settings.emergencyNumber}
      />
      <TextSetting
        settingKey="timeZone"
        label="Time zone"
        hint="Decides which day it is: pregnancy weeks and today’s signs depend on it."
        initial={settings.timeZone}
      />
      <Field label="Home school" hint={schools[settings.homeSchool].holds} error={school.error}>
        {(ids) => (
          <Select
            {...ids}
            defaultValue={settings.homeSchool}
            onChange={(event) => void school.save(event.target.value as Settings['homeSchool'])}
          >
            {schoolIds.map((id) => (
              <option key={id} value={id}>
                {schools[id].name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <div className="flex flex-wrap gap-8">
        <Stepper
          label="Usual minutes for drills"
          value={settings.defaultMinutes}
          unit="min"
          min={5}
          max={60}
          step={5}
          onChange={(next) => void minutes.save(next)}
        />
        <Stepper
          label="Loudness of the tones"
          value={settings.toneVolume}
          unit="%"
          min={0}
          max={100}
          step={10}
          onChange={(next) => void volume.save(next)}
        />
      </div>
    </div>
  );
}

function TextSetting({
  settingKey,
  label,
  hint,
  initial,
}: {
  settingKey: 'studioName' | 'emergencyNumber' | 'timeZone';
  label: string;
  hint?: string;
  initial: string;
}) {
  const { save, error } = useSetting(settingKey);
  const { value, change, commit } = useDraft(initial, (next) => void save(next));
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => <TextInput {...ids} value={value} onChange={(event) => change(event.target.value)} onBlur={commit} />}
    </Field>
  );
}
