import { issue } from '../../issue';
import { formatNumber, formatQuantity, parseNumber, parseQuantity } from '../../quantity';
import type { Parsed } from '../../quantity';
import type { Draw } from '..';
import { readLabel } from './read-label';
import { readBatteryLabel } from './views';

const EXPECTED = 'a draw as you know it, such as “8.8 W”, “7.4 V 1.2 A”, “50 min on 24.5 Wh” or “385 shots on 14.7 Wh at 60 an hour”';
/** `5 h 10`, `5h10min`, `50 min`, `1:40`, `2.5 hours`. */
const LASTED =
  /(?:^|\s)(\d+(?:[.,]\d+)?\s*h(?:ours?|rs?)?(?:\s*\d{1,2}(?!\d|[.,]\d|\s*(?:w|v|a|m?ah|c|°))(?:\s*min(?:utes?)?)?)?|\d{1,3}:\d{2}|\d+(?:[.,]\d+)?\s*min(?:utes?)?)(?=[\s,;/]|$)/i;
const SHOTS = /(\d[\d.,’' ]*?)\s*(?:shots?|frames?|pictures?|bilder|photos?)\b/i;
const AN_HOUR = /(?:at\s*)?(\d+(?:[.,]\d+)?)\s*(?:shots?\s*)?(?:an hour|per hour|\/\s*h(?:our)?)\b/i;
const JOINING = /\b(?:a|per|each) charge\b|\b(?:lasts?|lasted|ran|runs?|for|from|with|on|at|in)\b/gi;

/**
 * A draw as people know it, in one line: watts; volts and amps (of a meter at the device); how long a pack lasted; shots a
 * charge, which need the battery and the pace. What a pack's label says is read by the label reader.
 *
 * Errors: `not-a-draw`, `energy-missing` and the others of `readBatteryLabel`.
 *
 * @example readDrawText('50 min on 24.5 Wh') // { ok: true, value: { basis: 'run-down', energyWh: 24.5, minutes: 50 } }
 */
export function readDrawText(text: string): Parsed<Draw> {
  const shots = SHOTS.exec(text);
  if (shots) return ofShots(text, shots);
  const lasted = LASTED.exec(text);
  if (lasted) {
    const minutes = parseQuantity(lasted[1]!, 'min');
    const battery = readBatteryLabel(rest(text, lasted[0]));
    if (!minutes.ok || minutes.value <= 0) return refused(text);
    if (!battery.ok) return battery;
    return { ok: true, value: { basis: 'run-down', energyWh: tidy(battery.value.energyWh), minutes: minutes.value } };
  }
  const { reads, refused: unread, asks, disagrees } = readLabel(rest(text));
  if (unread || disagrees || asks.length > 0 || reads.energyWh !== undefined || reads.capacityAh !== undefined) return refused(text);
  const { voltageV, currentA, powerW } = reads;
  if (powerW !== undefined) return { ok: true, value: { basis: 'maker', powerW } };
  if (voltageV !== undefined && currentA !== undefined) return { ok: true, value: { basis: 'meter', voltageV, currentA, at: 'device' } };
  return refused(text);
}

function ofShots(text: string, found: RegExpExecArray): Parsed<Draw> {
  const pace = AN_HOUR.exec(text);
  const shots = parseNumber(found[1]!.trim(), true);
  const perHour = pace ? parseNumber(pace[1]!) : undefined;
  if (!shots.ok || !perHour?.ok || shots.value < 1 || perHour.value <= 0) return refused(text);
  const battery = readBatteryLabel(rest(text, found[0], pace![0]));
  if (!battery.ok) return battery;
  const counted = { shots: Math.round(shots.value), energyWh: tidy(battery.value.energyWh), shotsPerHour: perHour.value };
  return { ok: true, value: { basis: 'shots-a-charge', ...counted } };
}

/** Volts times amp-hours as a person would write them down. */
function tidy(energyWh: number): number {
  return Math.round(energyWh * 100) / 100;
}

/** The text without what was read already, and without the words between. */
function rest(text: string, ...read: readonly string[]): string {
  const left = read.reduce((all, part) => all.replace(part, ' '), text);
  return left.replace(JOINING, ' ').replace(/^[\s,;:/]+|[\s,;:/]+$/g, '');
}

function refused(text: string): { readonly ok: false; readonly issue: ReturnType<typeof issue> } {
  return { ok: false, issue: issue('', 'not-a-draw', EXPECTED, text) };
}

/**
 * A draw as it would be typed; undefined where one line cannot hold it.
 *
 * @example drawText({ basis: 'maker', powerW: 14.8 }) // '14.8 W'
 */
export function drawText(draw: Draw): string | undefined {
  const say = formatQuantity;
  switch (draw.basis) {
    case 'maker':
      return say(draw.powerW, 'W');
    case 'meter':
      return draw.at === 'device' ? `${say(draw.voltageV, 'V')} ${say(draw.currentA, 'A')}` : undefined;
    case 'run-down':
      return `${say(draw.minutes, 'min')} on ${say(draw.energyWh, 'Wh')}`;
    case 'shots-a-charge':
      return `${draw.shots} shots on ${say(draw.energyWh, 'Wh')} at ${formatNumber(draw.shotsPerHour, 'per-hour')} an hour`;
    case 'learnt':
    case 'shots':
    case 'frames':
      return undefined;
  }
}
