import { issue } from '../../issue';
import type { Issue } from '../../issue';
import { parseQuantity } from '../../quantity';
import { isOhms } from './judge';
import type { MeterReading } from './judge';
import type { CheckStep } from './step';

/** How meters and people write “over the range”: `OL`, `0L`, `O.L`, `0.L`, `1 .`, `∞`. */
const OVER = /^[-+]?\s*(o\.?l\.?|0\.?l\.?|over(load)?|∞|1\s*\.)$/i;
/** A dash, a true minus, a hyphen: what phones type. */
const MINUS = /^\s*[-−–]\s*/;

/**
 * A reading as it is typed from a meter: `16,4`, `-8.1 V`, `0`, `230 mV`, `OL`. Volts may be below zero; ohms may not.
 *
 * @example readMeter('-8,1', { is: 'open' }) // { ok: true, reading: -8.1 }
 */
export function readMeter(
  text: string,
  step: Pick<CheckStep, 'is'>,
): { readonly ok: true; readonly reading: MeterReading } | { readonly ok: false; readonly issue: Issue } {
  const trimmed = text.trim();
  if (OVER.test(trimmed)) return { ok: true, reading: 'OL' };
  const ohms = isOhms(step);
  const isBelow = MINUS.test(trimmed);
  const digits = trimmed.replace(MINUS, '');
  const parsed = parseQuantity(digits, ohms ? 'ohm' : 'V');
  const expected = ohms ? 'ohms such as 0,3, or OL' : 'volts such as 16,4 or -8.1, or OL';
  // one sign, not two: `--8.1` may be either
  const isTwice = isBelow && /^[-−–+]/.test(digits);
  if (!parsed.ok || isTwice || (ohms && isBelow && parsed.value !== 0))
    return { ok: false, issue: issue('', 'bad-reading', expected, text) };
  return { ok: true, reading: isBelow && parsed.value !== 0 ? -parsed.value : parsed.value };
}
