import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { Preferences } from './preferences';

/** Paper for the desk, true dark for the set; follows the system unless pinned. */
@Injectable({ providedIn: 'root' })
export class Theme {
  private readonly preferences = inject(Preferences);
  private readonly systemDark = signal(false);
  readonly dark = computed(() => (this.preferences.theme() === 'system' ? this.systemDark() : this.preferences.theme() === 'dark'));

  constructor() {
    const system = matchMedia('(prefers-color-scheme: dark)');
    this.systemDark.set(system.matches);
    system.addEventListener('change', ({ matches }) => this.systemDark.set(matches));
    effect(() => document.documentElement.setAttribute('data-bs-theme', this.dark() ? 'dark' : 'light'));
  }
}
