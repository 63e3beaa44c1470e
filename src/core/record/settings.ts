import { z } from 'zod';
import { schoolIds } from '../schools';
import { isZone } from './day';

/** Everything a coach sets once for the studio, with what it is until then. */
export const settingsSchema = z.object({
  studioName: z.string().trim().min(1, 'Give the studio a name.').max(80, 'A studio name has at most 80 characters.'),
  emergencyNumber: z
    .string()
    .trim()
    .regex(/^[0-9 +]{2,20}$/, 'An emergency number is digits, like 112 or 999.'),
  timeZone: z.string().refine(isZone, 'This time zone is not known. Use a name like Europe/London.'),
  homeSchool: z.enum(schoolIds),
  defaultMinutes: z.number().int().min(5).max(60),
  noticeSeen: z.boolean(),
  /** Tones of the pacer, 0 to 100. */
  toneVolume: z.number().int().min(0).max(100),
});
export type Settings = z.infer<typeof settingsSchema>;

export const defaultSettings: Settings = {
  studioName: 'My studio',
  emergencyNumber: '112',
  timeZone: 'UTC',
  homeSchool: 'openAllRegions',
  defaultMinutes: 20,
  noticeSeen: false,
  toneVolume: 60,
};
