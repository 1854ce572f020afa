import { signal } from '@angular/core';
import type { WritableSignal } from '@angular/core';

/** What a person left open, by name, on this device: it is as they left it when they come back. */
export interface RememberedSet {
  readonly all: () => ReadonlySet<string>;
  readonly toggle: (name: string, on?: boolean) => void;
}

/** What stands open beside the answer of a rig. */
export const RIG_OPEN = 'viaggio.rig-open';

const known = new Map<string, WritableSignal<ReadonlySet<string>>>();

/** The same for everybody who asks for the key. `first` holds until somebody changes it. */
export function rememberedSet(key: string, first: readonly string[] = []): RememberedSet {
  const kept = known.get(key) ?? signal(read(key) ?? new Set(first));
  known.set(key, kept);
  return {
    all: kept.asReadonly(),
    toggle: (name, on) => {
      const before = kept();
      const next = new Set(before);
      if (on ?? !before.has(name)) next.add(name);
      else next.delete(name);
      kept.set(next);
      localStorage.setItem(key, JSON.stringify([...next]));
    },
  };
}

/** Whatever else stands there is as good as nothing. */
function read(key: string): ReadonlySet<string> | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    return Array.isArray(kept) ? new Set(kept.filter((one) => typeof one === 'string')) : undefined;
  } catch {
    return undefined;
  }
}
