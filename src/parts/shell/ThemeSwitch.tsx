'use client';

import { Moon, Sun } from 'lucide-react';
import { useRouter } from 'next/navigation';

/** Light for day, dark for dim rooms; remembered in this browser. */
export function ThemeSwitch({ theme }: { theme: 'light' | 'dark' }) {
  const router = useRouter();
  const next = theme === 'dark' ? 'light' : 'dark';
  return (
    <button
      type="button"
      className="grid size-11 place-items-center rounded-one text-ink2 hover:text-ink"
      aria-label={`Switch to the ${next} theme`}
      onClick={() => {
        document.cookie = `theme=${next}; path=/; max-age=31536000; samesite=lax`;
        document.documentElement.dataset.theme = next;
        router.refresh();
      }}
    >
      {next === 'dark' ? <Moon size={20} aria-hidden /> : <Sun size={20} aria-hidden />}
    </button>
  );
}
