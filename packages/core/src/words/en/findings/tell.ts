import type { Finding, FindingCode, FindingLevel, FindingPlace } from '../../../findings';
import { say } from '../say';
import { AMPS } from './amps-words';
import { assumedWordings } from './assumed-words';
import { BALANCE } from './balance-words';
import { DRAWING } from './drawing-words';
import { MEASURED } from './measured-words';
import { MISSING } from './missing-words';
import { MODES } from './modes-words';
import { MOUNTS } from './mounts-words';
import { PLUGS } from './plugs-words';
import { STATE } from './state-words';
import { USB } from './usb-words';
import { VOLTS } from './volts-words';
import { WHOLE_RIG } from './whole-rig-words';
import type { ShownNumber, Wording, Wordings } from './wording';

/** The words of every code, in the order of docs/findings.md. */
export const WORDINGS: Wordings<FindingCode> = {
  ...MEASURED,
  ...STATE,
  ...DRAWING,
  ...PLUGS,
  ...MISSING,
  ...assumedWordings(sayFinding),
  ...VOLTS,
  ...AMPS,
  ...USB,
  ...MODES,
  ...BALANCE,
  ...MOUNTS,
  ...WHOLE_RIG,
};

/** A finding in words: what screens, documents and prints show. */
export interface Told extends FindingPlace {
  readonly code: FindingCode;
  readonly verdict: FindingLevel;
  readonly numbers: readonly ShownNumber[];
  readonly sentence: string;
  readonly remedy: string | undefined;
}

/**
 * A finding told in one sentence, with the numbers compared and what to do about it.
 *
 * @example tell(answer.findings[0]).sentence // 'On Adapter M from D-tap, Skuadon 60 shows a full battery until it stops dead.'
 */
export function tell(finding: Finding): Told {
  const { code, verdict, facts, ...place } = finding;
  const { remedy, shows } = wordingOf(code);
  return {
    ...place,
    code,
    verdict,
    numbers: shows?.(facts as never).filter((number) => number !== undefined) ?? [],
    sentence: sayFinding(finding),
    remedy: remedy?.(facts as never, verdict),
  };
}

/**
 * The sentence alone.
 *
 * @example sayFinding(lateFinding) // 'After 1 h 36 min, at 12.22 V, Adapter M from D-tap draws more than 1.5 A (D-tap of Holmvik 49). It trips there.'
 */
export function sayFinding({ code, verdict, facts, phase }: Finding): string {
  const sentence = wordingOf(code).says(facts as never, verdict);
  if (!phase) return sentence;
  return `In ${phase.name === undefined ? `phase ${phase.number}` : `“${phase.name}”`}, from ${say(phase.fromMin, 'min')} on: ${sentence}`;
}

/**
 * What a code means, for whoever asks.
 *
 * @example meaningOf('over-current-late') // 'A limit on current is passed as the battery empties.'
 */
export function meaningOf(code: FindingCode): string {
  return WORDINGS[code].means;
}

/** Code and facts belong together by the type of `Finding`; the map cannot know that they do. */
function wordingOf(code: FindingCode): Wording<never> {
  return WORDINGS[code];
}
