import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { displayAs, USUAL_DISPLAY } from '@viaggio/core/units';
import type { Display } from '@viaggio/core/units';
import { CoreWorkers } from '../workers/core-workers';

/** How a person likes it, on this device. */
export interface PreferenceSet extends Display {
  readonly theme: 'system' | 'light' | 'dark';
  /** `€`, `SEK`; empty while it is not entered. Prices are kept as bare numbers of one currency. */
  readonly currency: string;
  /** 1: Monday, 7: Sunday. */
  readonly weekStart: 1 | 6 | 7;
  readonly density: 'roomy' | 'dense';
}

const KEY = 'viaggio.preferences';
export const LONGEST_CURRENCY = 4;

/** What may stand in each field that is chosen from a few, the usual one first. */
export const PREFERENCE_CHOICES = {
  theme: ['system', 'light', 'dark'],
  density: ['roomy', 'dense'],
  mass: ['g', 'oz'],
  temperature: ['C', 'F'],
  length: ['mm', 'in'],
  decimal: ['.', ','],
  clock: ['24 h', '12 h'],
  date: ['day first', 'month first', 'year first'],
  weekStart: [1, 7, 6],
} as const satisfies { readonly [K in Exclude<keyof PreferenceSet, 'currency'>]: readonly PreferenceSet[K][] };

const USUAL: PreferenceSet = { ...USUAL_DISPLAY, theme: 'system', currency: '', weekStart: 1, density: 'roomy' };

/** The preferences of this device: read once, kept at each change, told to core and to every worker before anything is said. */
@Injectable({ providedIn: 'root' })
export class Preferences {
  private readonly workers = inject(CoreWorkers);
  private readonly kept = signal(read());
  readonly all = this.kept.asReadonly();
  readonly theme = computed(() => this.kept().theme);
  readonly currency = computed(() => this.kept().currency);

  constructor() {
    this.tell(this.kept());
    effect(() => {
      const { density } = this.kept();
      document.documentElement.setAttribute('data-density', density);
    });
  }

  set(changes: Partial<PreferenceSet>): void {
    const next = { ...this.kept(), ...changes, ...(changes.currency !== undefined && { currency: shortened(changes.currency) }) };
    localStorage.setItem(KEY, JSON.stringify(next));
    this.tell(next);
    this.kept.set(next);
  }

  /** Those of another device, as a backup brings them: each field only where it may stand there. */
  take(found: object): void {
    this.set(soundOf(found as Readonly<Record<string, unknown>>));
  }

  private tell({ mass, temperature, length, decimal, clock, date }: PreferenceSet): void {
    const display: Display = { mass, temperature, length, decimal, clock, date };
    displayAs(display);
    this.workers.displayAs(display);
  }
}

function shortened(currency: string): string {
  return currency.trim().slice(0, LONGEST_CURRENCY);
}

/** What is kept, each field only where it may stand there; those of a version before that kept two of them apart. */
function read(): PreferenceSet {
  const kept = parsed(localStorage.getItem(KEY));
  const before = { theme: localStorage.getItem('viaggio.theme'), currency: localStorage.getItem('viaggio.currency') };
  return { ...USUAL, ...soundOf(kept ?? before) };
}

function soundOf(found: Readonly<Record<string, unknown>>): Partial<PreferenceSet> {
  const chosen = Object.entries(PREFERENCE_CHOICES).flatMap(([field, choices]) =>
    (choices as readonly unknown[]).includes(found[field]) ? [[field, found[field]]] : [],
  );
  const { currency } = found;
  return {
    ...(Object.fromEntries(chosen) as Partial<PreferenceSet>),
    ...(typeof currency === 'string' && { currency: shortened(currency) }),
  };
}

function parsed(text: string | null): Readonly<Record<string, unknown>> | undefined {
  try {
    const kept: unknown = JSON.parse(text ?? 'null');
    return typeof kept === 'object' && kept !== null ? (kept as Record<string, unknown>) : undefined;
  } catch {
    return undefined;
  }
}
