import { z } from 'zod';
import { showsSomething } from '../reasons';
import { type GateLimits, defaultLimits, limitNames } from '../safety';
import { schoolIds } from '../schools';
import { usualTalkSeconds } from '../sequence';
import { hoursSchema, usualHours } from './booking';
import { isZone } from './day';

const limitSchema = z.object(
  Object.fromEntries(
    (Object.keys(limitNames) as (keyof GateLimits)[]).map((key) => {
      const { name, unit, min, max } = limitNames[key];
      return [
        key,
        z.number().int().min(min, `${name}: at least ${min} ${unit}.`).max(max, `${name}: at most ${max} ${unit}.`),
      ];
    }),
  ) as Record<keyof GateLimits, z.ZodNumber>,
);

const volume = z.number().int().min(0).max(100);

/** Everything a coach sets once for the studio, with what it is until then. */
export const settingsSchema = z.object({
  studioName: z
    .string()
    .trim()
    .min(1, 'Give the studio a name.')
    .max(80, 'A studio name has at most 80 characters.')
    .refine(showsSomething, 'This name shows nothing. Write letters or signs.'),
  emergencyNumber: z
    .string()
    .trim()
    .regex(/^[0-9 +]{2,20}$/, 'An emergency number is digits, like 112 or 999.'),
  timeZone: z.string().refine(isZone, 'This time zone is not known. Use a name like Europe/London.'),
  homeSchool: z.enum(schoolIds),
  defaultMinutes: z.number().int().min(5).max(60),
  /** Talk, showing and correction allowed beside each drill of a plan, in seconds. */
  talkSeconds: z.number().int().min(0).max(180),
  /** When the rooms are open, Monday first. */
  hours: hoursSchema,
  /** What was found is to be looked at again after so many days. */
  recheckDays: z.number().int().min(3).max(90),
  noticeSeen: z.boolean(),
  /** Lengths are shown and entered in this unit; stored in cm. */
  lengthUnit: z.enum(['cm', 'in']),
  /** Week and day limits of the caution table. */
  limits: limitSchema,
  /** Tones of the pacer, 0 to 100. */
  toneVolume: volume,
  /** The even noise that follows the exhale, and the spoken cues. */
  noiseVolume: volume,
  voiceVolume: volume,
  /** How late the speaker is: sound is sent this much earlier. */
  soundLatencyMs: z.number().int().min(0).max(500),
  /** Keys a presenter or foot pedal sends, by their names in the browser; learnt, not typed. */
  pedalKeys: z.array(z.string().min(1).max(40)).max(6),
  /** Whether the client's window shows the count. */
  clientCount: z.boolean(),
});
export type Settings = z.infer<typeof settingsSchema>;

export const defaultSettings: Settings = {
  studioName: 'My studio',
  emergencyNumber: '112',
  timeZone: 'UTC',
  homeSchool: 'openAllRegions',
  defaultMinutes: 20,
  talkSeconds: usualTalkSeconds,
  hours: usualHours,
  recheckDays: 14,
  noticeSeen: false,
  lengthUnit: 'cm',
  limits: defaultLimits,
  toneVolume: 60,
  noiseVolume: 0,
  voiceVolume: 0,
  soundLatencyMs: 0,
  pedalKeys: ['PageDown', 'PageUp'],
  clientCount: true,
};
