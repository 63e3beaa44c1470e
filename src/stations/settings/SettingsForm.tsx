'use client';

import { type ReactNode, memo, useId, useState } from 'react';
import { type PropId } from '@/core/catalogue';
import { type Settings, dateLanguageIds, dateLanguages, settingsWith, weekStarts, weekdayAndDay } from '@/core/record';
import { type Provenance, capital, commonPractice, setByYou } from '@/core/reasons';
import { type GateLimits, defaultLimits, limitNames } from '@/core/safety';
import { schoolIds, schools } from '@/core/schools';
import { useKeep, useSaid } from '@/keep';
import { LinkButton } from '@/parts/Button';
import { ChoiceChips, TickChips } from '@/parts/Chips';
import { Field, Select, TextInput } from '@/parts/Field';
import { ProvenanceMark } from '@/parts/Provenance';
import { Stepper } from '@/parts/Stepper';
import { useDraft } from '@/parts/useDraft';
import { ListeningFieldset } from '@/parts/ListeningFieldset';
import { sayTheSame } from '../sayTheSame';
import { OpenHours } from './Hours';

const limitKeys = Object.keys(limitNames) as (keyof GateLimits)[];

function useSetting<K extends keyof Settings>(key: K) {
  const [error, setError] = useState<string | null>(null);
  const keep = useKeep();
  const save = async (value: Settings[K]) => {
    const outcome = await keep('settings.change', { [key]: value });
    setError(outcome.state === 'refused' ? outcome.why : null);
    return outcome.state === 'refused' ? null : outcome;
  };
  return { save, error };
}

interface Shown {
  settings: Settings;
  today: string;
  /** What the numbers that are rules are until they are set. */
  usual: Pick<Settings, RuleKey>;
  /** Props a room may have; hands, lips and the like are always there. */
  ownable: readonly { id: PropId; name: string }[];
  /** Who owns the studio sets what holds for everybody; others see how it is set. */
  owner?: boolean;
}

export function SettingsForm({ settings, asOf, ...rest }: Shown & { asOf: number }) {
  return <Form {...rest} settings={settingsWith(settings, asOf, useSaid())} />;
}

/** Drawn anew where a setting is another, not each time something that was said is on its way. */
const Form = memo(function SettingsForm({ settings, today, usual, ownable, owner = true }: Shown) {
  /** A number that is a rule: the trade’s until it was set otherwise. */
  const ruleMark = (key: RuleKey) => (settings[key] === usual[key] ? commonPractice : setByYou);
  const school = useSetting('homeSchool');
  const minutes = useSetting('defaultMinutes');
  const talk = useSetting('talkSeconds');
  const props_ = useSetting('ownProps');
  const clientCount = useSetting('clientCount');
  const lengthUnit = useSetting('lengthUnit');
  const weightUnit = useSetting('weightUnit');
  const theme = useSetting('theme');
  const language = useSetting('dateLanguage');
  const weekStart = useSetting('weekStart');
  const recheck = useSetting('recheckDays');
  const homeMinutes = useSetting('homeMinutes');
  const homeBreaths = useSetting('homeBreaths');
  const hours = useSetting('hours');
  const retention = useSetting('retentionYears');
  return (
    <ListeningFieldset disabled={!owner} className="max-w-xl space-y-6">
      <div className="flex flex-wrap gap-3">
        <LinkButton href="/settings/sound">Sound</LinkButton>
        <LinkButton href="/settings/pedal">Presenter or pedal</LinkButton>
        <LinkButton href="/settings/access">Who may come in</LinkButton>
        {owner && <LinkButton href="/settings/records">Records and copies</LinkButton>}
      </div>
      <TextSetting settingKey="studioName" label="Studio name" initial={settings.studioName} />
      <TextSetting
        settingKey="emergencyNumber"
        label="Local emergency number"
        hint="Shown in large figures when an emergency sign is logged."
        initial={settings.emergencyNumber}
      />
      <Part title="Days and looks">
        <TextSetting
          settingKey="timeZone"
          label="Time zone"
          hint="Decides which day it is and at what time somebody comes, whatever this machine’s own zone."
          initial={settings.timeZone}
        />
        <Field
          label="Days are said in"
          hint={`Today is ${weekdayAndDay(today, settings.dateLanguage)}.`}
          error={language.error}
        >
          {(ids) => (
            <Select
              {...ids}
              value={settings.dateLanguage}
              onChange={(event) => void language.save(event.target.value as Settings['dateLanguage'])}
            >
              {dateLanguageIds.map((id) => (
                <option key={id} value={id}>
                  {dateLanguages[id]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <ChoiceChips
          label="A week begins on"
          value={settings.weekStart}
          choices={weekStarts.map((value) => ({ value, label: capital(value) }))}
          onChange={(next) => void weekStart.save(next)}
        />
        <ChoiceChips
          label="Lengths in"
          value={settings.lengthUnit}
          choices={[
            { value: 'cm', label: 'cm' },
            { value: 'in', label: 'inches' },
          ]}
          onChange={(next) => void lengthUnit.save(next)}
        />
        <ChoiceChips
          label="Weights in"
          value={settings.weightUnit}
          choices={[
            { value: 'kg', label: 'kg' },
            { value: 'lb', label: 'pounds' },
          ]}
          onChange={(next) => void weightUnit.save(next)}
        />
        <ChoiceChips
          label="Pages are, until a browser is switched"
          value={settings.theme}
          choices={[
            { value: 'light', label: 'Light' },
            { value: 'dark', label: 'Dark, for dim rooms' },
          ]}
          onChange={(next) => void theme.save(next)}
        />
        <ChoiceChips
          label="Count in the client’s window"
          value={settings.clientCount ? 'yes' : 'no'}
          choices={[
            { value: 'yes', label: 'Shown' },
            { value: 'no', label: 'Not shown' },
          ]}
          onChange={(next) => void clientCount.save(next === 'yes')}
        />
      </Part>
      <Part title="Planning">
        <Field label="Home school" hint={schools[settings.homeSchool].holds} error={school.error}>
          {(ids) => (
            <Select
              {...ids}
              value={settings.homeSchool}
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
        <TickChips
          label="Props these rooms have"
          values={settings.ownProps}
          choices={ownable.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(next) => void props_.save(next)}
        />
        <p className="text-sm text-ink2">
          A first plan for somebody is asked with these; what is at hand today is ticked beside it.
        </p>
        <Rule by={ruleMark('defaultMinutes')}>
          <Stepper
            label="Usual minutes for drills"
            value={settings.defaultMinutes}
            unit="min"
            min={5}
            max={60}
            step={5}
            onChange={(next) => void minutes.save(next)}
          />
        </Rule>
        <Rule by={ruleMark('talkSeconds')}>
          <Stepper
            label="Talk and correction, a drill"
            value={settings.talkSeconds}
            unit="s"
            min={0}
            max={180}
            step={10}
            onChange={(next) => void talk.save(next)}
          />
        </Rule>
        <Rule by={ruleMark('recheckDays')}>
          <Stepper
            label="A recheck is due after"
            value={settings.recheckDays}
            unit="days"
            min={3}
            max={90}
            onChange={(next) => void recheck.save(next)}
          />
        </Rule>
        <Rule by={ruleMark('homeMinutes')}>
          <Stepper
            label="At home, at most a day"
            value={settings.homeMinutes}
            unit="min"
            min={1}
            max={60}
            onChange={(next) => void homeMinutes.save(next)}
          />
        </Rule>
        <Rule by={ruleMark('homeBreaths')}>
          <Stepper
            label="and at most"
            value={settings.homeBreaths}
            unit="breaths"
            min={5}
            max={500}
            step={5}
            onChange={(next) => void homeBreaths.save(next)}
          />
        </Rule>
      </Part>
      <Limits settings={settings} />
      <OpenHours
        hours={settings.hours}
        weekStart={settings.weekStart}
        error={hours.error}
        onSave={(next) => void hours.save(next)}
      />
      <Part title="How long notes are kept">
        <Rule by={setByYou}>
          <Stepper
            label="Propose deleting somebody after"
            value={settings.retentionYears}
            unit={settings.retentionYears === 0 ? 'years: never' : 'years of silence'}
            min={0}
            max={50}
            onChange={(next) => void retention.save(next)}
          />
        </Rule>
        <p className="text-sm text-ink2">
          How long notes must be kept, and when they must go, is said by the rules of your trade and place. Nobody is
          deleted by itself: they are named under Clients.
        </p>
      </Part>
    </ListeningFieldset>
  );
}, sayTheSame);

type RuleKey = 'defaultMinutes' | 'talkSeconds' | 'recheckDays' | 'homeMinutes' | 'homeBreaths';

const Rule = ({ by, children }: { by: Provenance; children: ReactNode }) => (
  <div className="flex flex-wrap items-end justify-between gap-3">
    {children}
    <ProvenanceMark provenance={by} />
  </div>
);

function Part({ title, children }: { title: string; children: ReactNode }) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="space-y-5 border-t border-ink pt-4">
      <h2 id={id} className="text-lg">
        {title}
      </h2>
      {children}
    </section>
  );
}

/** Week and day limits of the caution table: the trade's until a coach sets their own. */
function Limits({ settings }: { settings: Settings }) {
  const { save, error } = useSetting('limits');
  const { limits } = settings;
  return (
    <section aria-labelledby="limits" className="border-t border-ink pt-4">
      <h2 id="limits" className="text-lg">
        Limits you may set
      </h2>
      <p className="text-ink2">Schools differ here. Local rules and a clinician’s word come first.</p>
      <ul className="mt-2">
        {limitKeys.map((key) => {
          const { name, unit, min, max, step } = limitNames[key];
          return (
            <li key={key} className="flex flex-wrap items-center justify-between gap-3 border-t border-rule py-2">
              <Stepper
                label={name}
                value={limits[key]}
                unit={unit}
                min={min}
                max={max}
                step={step}
                onChange={(next) => void save({ ...limits, [key]: next })}
              />
              <ProvenanceMark provenance={limits[key] === defaultLimits[key] ? commonPractice : setByYou} />
            </li>
          );
        })}
      </ul>
      {error && (
        <p role="alert" className="mt-2 font-semibold">
          {error}
        </p>
      )}
    </section>
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
  const { value, change, commit } = useDraft(initial, save);
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => <TextInput {...ids} value={value} onChange={(event) => change(event.target.value)} onBlur={commit} />}
    </Field>
  );
}
