import { Injectable, computed, effect, signal } from '@angular/core';

export type ThemeChoice = 'system' | 'light' | 'dark';
const KEY = 'viaggio.theme';

/** Paper for the desk, true dark for the set; follows the system unless pinned, on this device only. */
@Injectable({ providedIn: 'root' })
export class Theme {
  readonly choice = signal<ThemeChoice>(readChoice());
  private readonly systemDark = signal(false);
  readonly dark = computed(() => (this.choice() === 'system' ? this.systemDark() : this.choice() === 'dark'));

  constructor() {
    const system = matchMedia('(prefers-color-scheme: dark)');
    this.systemDark.set(system.matches);
    system.addEventListener('change', ({ matches }) => this.systemDark.set(matches));
    effect(() => {
      document.documentElement.setAttribute('data-bs-theme', this.dark() ? 'dark' : 'light');
      localStorage.setItem(KEY, this.choice());
    });
  }
}

function readChoice(): ThemeChoice {
  const kept = localStorage.getItem(KEY);
  return kept === 'light' || kept === 'dark' ? kept : 'system';
}
