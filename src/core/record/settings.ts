import * as z from 'zod/mini';
import { usualLockMinutes } from '../access';
import { propIds } from '../catalogue';
import { sensibleLoad } from '../home';
import { weightUnits } from '../load/weight';
import { lengthUnits } from '../look/length';
import { showsSomething } from '../reasons';
import { type GateLimits, defaultLimits, limitNames } from '../safety';
import { schoolIds } from '../schools';
import { usualTalkSeconds } from '../sequence';
import { usualHours } from './booking';
import { hoursSchema } from './hours';
import { dateLanguageIds, weekStarts } from './dateWords';
import { isZone } from './day';

const limitSchema = z.object(
  Object.fromEntries(
    (Object.keys(limitNames) as (keyof GateLimits)[]).map((key) => {
      const { name, unit, min, max } = limitNames[key];
      return [
        key,
        // One that came later is not in what was set before it: until it is set it is the trade’s.
        z._default(
          z
            .number()
            .check(
              z.int(),
              z.minimum(min, `${name}: at least ${min} ${unit}.`),
              z.maximum(max, `${name}: at most ${max} ${unit}.`),
            ),
          defaultLimits[key],
        ),
      ];
    }),
  ) as Record<keyof GateLimits, z.ZodMiniDefault<z.ZodMiniNumber>>,
);

const volume = z.number().check(z.int(), z.minimum(0), z.maximum(100));

/** Everything a coach sets once for the studio, with what it is until then. */
export const settingsSchema = z.object({
  studioName: z
    .string()
    .check(
      z.trim(),
      z.minLength(1, 'Give the studio a name.'),
      z.maxLength(80, 'A studio name has at most 80 characters.'),
      z.refine(showsSomething, 'This name shows nothing. Write letters or signs.'),
    ),
  emergencyNumber: z
    .string()
    .check(z.trim(), z.regex(/^[0-9 +]{2,20}$/, 'An emergency number is digits, like 112 or 999.')),
  timeZone: z.string().check(z.refine(isZone, 'This time zone is not known. Use a name like Europe/London.')),
  homeSchool: z.enum(schoolIds),
  defaultMinutes: z.number().check(z.int(), z.minimum(5), z.maximum(60)),
  /** Talk, showing and correction allowed beside each drill of a plan, in seconds. */
  talkSeconds: z.number().check(z.int(), z.minimum(0), z.maximum(180)),
  /** The day a week begins with, and the language days are said in. */
  weekStart: z.enum(weekStarts),
  dateLanguage: z.enum(dateLanguageIds),
  /** What the rooms have: a first plan for somebody is asked with these. */
  ownProps: z.array(z.enum(propIds)).check(z.maxLength(propIds.length)),
  /** Light or dark, where a browser has not been switched by hand. */
  theme: z.enum(['light', 'dark']),
  /** When the rooms are open, Monday first. */
  hours: hoursSchema,
  /** What was found is to be looked at again after so many days. */
  recheckDays: z.number().check(z.int(), z.minimum(3), z.maximum(90)),
  /** Most minutes and breaths of a day that a practice at home asks for. */
  homeMinutes: z.number().check(z.int(), z.minimum(1), z.maximum(60)),
  homeBreaths: z.number().check(z.int(), z.minimum(5), z.maximum(500)),
  noticeSeen: z.boolean(),
  /** Lengths are shown and entered in this unit; stored in cm. */
  lengthUnit: z.enum(lengthUnits),
  /** Weights are said in this unit, and typed in it until another is chosen; stored in kg. */
  weightUnit: z.enum(weightUnits),
  /** Week and day limits of the caution table. */
  limits: limitSchema,
  /** Tones of the pacer, 0 to 100. */
  toneVolume: volume,
  /** The even noise that follows the exhale, and the spoken cues. */
  noiseVolume: volume,
  voiceVolume: volume,
  /** How late the speaker is: sound is sent this much earlier. */
  soundLatencyMs: z.number().check(z.int(), z.minimum(0), z.maximum(500)),
  /** Keys a presenter or foot pedal sends, by their names in the browser; learnt, not typed. */
  pedalKeys: z.array(z.string().check(z.minLength(1), z.maxLength(40))).check(z.maxLength(6)),
  /** Whether the client's window shows the count. */
  clientCount: z.boolean(),
  /** Minutes of silence after which a session locks. */
  lockMinutes: z.number().check(z.int(), z.minimum(1), z.maximum(120)),
  /** After so many years without a visit or a booking it is proposed to delete somebody; 0: never. */
  retentionYears: z.number().check(z.int(), z.minimum(0), z.maximum(50)),
  /** It was asked whether there is to be a passphrase, and there is to be none on this machine. */
  leftOpen: z.boolean(),
});
export type Settings = z.infer<typeof settingsSchema>;

export const defaultSettings: Settings = {
  studioName: 'My studio',
  emergencyNumber: '112',
  timeZone: 'UTC',
  homeSchool: 'openAllRegions',
  defaultMinutes: 20,
  talkSeconds: usualTalkSeconds,
  weekStart: 'monday',
  dateLanguage: 'en-GB',
  ownProps: ['towel', 'pillow', 'wall', 'chair'],
  theme: 'light',
  hours: usualHours,
  recheckDays: 14,
  homeMinutes: sensibleLoad.minutes,
  homeBreaths: sensibleLoad.breaths,
  noticeSeen: false,
  lengthUnit: 'cm',
  weightUnit: 'kg',
  limits: defaultLimits,
  toneVolume: 60,
  noiseVolume: 0,
  voiceVolume: 0,
  soundLatencyMs: 0,
  pedalKeys: ['PageDown', 'PageUp'],
  clientCount: true,
  lockMinutes: usualLockMinutes,
  retentionYears: 0,
  leftOpen: false,
};
