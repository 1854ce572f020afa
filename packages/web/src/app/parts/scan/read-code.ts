import type { Gear } from '@viaggio/core/gear';

const LINK = /\/g\/([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})(?:[/?#]|$)/i;

/**
 * The gear that a code or a typed tag means: a link from a tag, wherever this was reached when it was printed; else the tag
 * as it is written on the label, small or large. Undefined where nothing bears it.
 */
export function gearOfCode(text: string, gear: ReadonlyMap<string, Gear>): string | undefined {
  const [, id] = LINK.exec(text.trim()) ?? [];
  if (id !== undefined) return gear.has(id.toLowerCase()) ? id.toLowerCase() : undefined;
  const typed = text.trim().toLowerCase();
  if (typed === '') return undefined;
  const bears = (archived: boolean) =>
    [...gear].find(([, body]) => body.tag?.toLowerCase() === typed && (body.archived === true) === archived);
  // a tag that was given anew means the thing that is in use
  return (bears(false) ?? bears(true))?.[0];
}
