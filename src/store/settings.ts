import { type Settings, defaultSettings, settingsSchema, tellDatesIn } from '@/core/record';
import { type Store } from './file';
import { type Unreadable } from './rows';
import { settings } from './schema';

/** The zone of this machine, until the coach sets one: a process keeps the one it began in. */
const machineZone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

/** The studio's settings; a value that no longer fits falls back to its default, with a word on it, rather than stopping the app. */
export function readSettings(store: Store, aside: Unreadable[] = []): Settings {
  const found = settingsIn(store, aside);
  // Whoever says a day has read this first.
  tellDatesIn(found);
  return found;
}

function settingsIn(store: Store, aside: Unreadable[]): Settings {
  const stored = Object.fromEntries(
    store
      .select()
      .from(settings)
      .all()
      .map(({ key, value }) => [key, value]),
  );
  const merged = { ...defaultSettings, timeZone: machineZone, ...stored };
  const parsed = settingsSchema.safeParse(merged);
  if (parsed.success) return parsed.data;
  const bad = new Set(parsed.error.issues.map((issue) => String(issue.path[0])));
  for (const key of bad) {
    if (key in stored) {
      aside.push({
        table: 'settings',
        id: key,
        what: `The setting “${key}”`,
        why: 'it does not fit; its default counts',
      });
    }
  }
  const kept = Object.fromEntries(Object.entries(stored).filter(([key]) => !bad.has(key)));
  return settingsSchema.parse({ ...defaultSettings, timeZone: machineZone, ...kept });
}

export function changeSettings(store: Store, changes: Partial<Settings>): void {
  for (const [key, value] of Object.entries(changes)) {
    if (value === undefined) continue;
    store.insert(settings).values({ key, value }).onConflictDoUpdate({ target: settings.key, set: { value } }).run();
  }
}
