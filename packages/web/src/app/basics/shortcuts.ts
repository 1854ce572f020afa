import { VIEWS } from './views';

/** What a key does: a view to go to, or something the frame does. */
export type ShortcutAct = { readonly go: string } | { readonly act: 'undo' | 'redo' | 'search' | 'keys' | 'close' };

export interface Shortcut {
  /** For the package that listens: `$mod` is Ctrl, or Command on a Mac. */
  readonly press: readonly string[];
  /** As it is printed on the keys. */
  readonly shown: string;
  readonly says: string;
  readonly does: ShortcutAct;
}

/** Every key that works everywhere, listed once: the frame listens to these, and the help shows them. */
export const SHORTCUTS: readonly Shortcut[] = [
  ...VIEWS.map(({ path, title }, index): Shortcut => {
    const digit = String(index + 1);
    return { press: [digit], shown: digit, says: title, does: { go: path } };
  }),
  { press: ['n'], shown: 'n', says: 'A new rig, by three questions', does: { go: '/rigs/new' } },
  { press: ['/'], shown: '/', says: 'Search everything', does: { act: 'search' } },
  { press: ['$mod+z'], shown: 'Ctrl+Z', says: 'Undo', does: { act: 'undo' } },
  { press: ['$mod+Shift+z', '$mod+y'], shown: 'Ctrl+Shift+Z or Ctrl+Y', says: 'Redo', does: { act: 'redo' } },
  { press: ['Shift+?', '?'], shown: '?', says: 'This list', does: { act: 'keys' } },
  { press: ['Escape'], shown: 'Esc', says: 'Close what is open', does: { act: 'close' } },
];
