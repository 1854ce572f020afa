import Papa from 'papaparse';
import { gearTitle } from '../gear';
import type { Log } from '../measure/feed-loss';
import type { DrawRow } from '../measure/learning';
import { OBSERVATION_KINDS, observationShape } from '../measure/log';
import type { Slots } from '../measure/trace';
import type { Fields, Shape } from '../shape';
import { harmless, writeCell } from './csv-cell';

const NEWLINE = '\r\n';
/** Told by name in columns of their own. */
const NAMED: Readonly<Record<string, string>> = { deviceId: 'device', batteryId: 'battery', rigId: 'rig' };

/**
 * Every observation as a row of a table (RFC 4180): what was typed, figures in the unit that ends their column's name;
 * segments of recordings in a table of their own.
 *
 * @example observationsToCsv({ ...log, observations: [] }).split(',')[0] // 'id'
 */
export function observationsToCsv({ observations, gear, rigs }: Log): string {
  const fields = new Map<string, Shape>();
  for (const variant of Object.values(observationShape.variants)) {
    for (const [key, field] of Object.entries(variant as Fields)) fields.set(key, field.kind === 'optional' ? field.of : field);
  }
  fields.delete('unknown');
  const nameOf = (id: unknown): string => {
    const body = gear.get(String(id));
    return body ? gearTitle(body) : (rigs.get(String(id))?.name ?? String(id));
  };
  const columns = [...fields.keys()];
  const rows = observations.map(({ id, body }) => {
    const values = body as unknown as Record<string, unknown>;
    const cells = columns.map((key) => {
      const value = values[key];
      if (value === undefined) return '';
      return NAMED[key] ? nameOf(value) : writeCell(fields.get(key)!, value);
    });
    return [id, OBSERVATION_KINDS[body.kind], ...cells];
  });
  return table(['id', 'kind', ...columns.map((key) => NAMED[key] ?? key)], rows);
}

/**
 * The segments of every recording, a row each.
 *
 * @example segmentsToCsv(log).split(',')[0] // 'recording'
 */
export function segmentsToCsv({ recordings, gear }: Log): string {
  const head = ['recording', 'at', 'device', 'fromS', 'toS', 'mode', 'name', 'meanW', 'spreadW', 'peakW', 'peakMs', 'peaks'];
  const rows = recordings.flatMap(({ body }) =>
    body.segments.map((segment) => [
      body.name,
      body.at,
      body.deviceId === undefined ? '' : (gear.get(body.deviceId)?.name ?? ''),
      segment.fromS,
      segment.toS,
      segment.modeId ?? '',
      segment.name ?? '',
      segment.meanW,
      segment.spreadW,
      segment.peakW,
      segment.peakMs,
      segment.peaks ?? '',
    ]),
  );
  return table(head, rows);
}

/**
 * The table of draws: what plans use, what was learnt, and from what.
 *
 * @example drawsToCsv([]).split(',')[0] // 'device'
 */
export function drawsToCsv(rows: readonly DrawRow[]): string {
  const head = ['device', 'mode', 'unit', 'inUse', 'from', 'learnt', 'plusMinus', 'observations', 'doubtful', 'formulas'];
  return table(
    head,
    rows.map(({ device, mode, of, now, learnt, evidence }) => [
      device,
      mode,
      of === 'draw' ? 'W' : 'J',
      now?.value ?? '',
      now ? (now.learnt ? 'learnt' : now.from) : 'unknown',
      learnt?.meanW ?? '',
      learnt ? 2 * learnt.sigmaW : '',
      evidence.length,
      evidence.filter(({ doubtful }) => doubtful).length,
      evidence
        .map(({ at, estimate, lacks }) => `${at}: ${estimate?.formula ?? ''}${lacks === undefined ? '' : ` lacks ${lacks}`}`)
        .join(' | '),
    ]),
  );
}

/**
 * The kept samples of a recording: a row a slot, gaps left out.
 *
 * @example slotsToCsv(slots).split(',')[0] // 'timeS'
 */
export function slotsToCsv({ slotS, meanW, lowestW, highestW, samples }: Slots): string {
  const rows: (string | number)[][] = [];
  for (let slot = 0; slot < meanW.length; slot++) {
    if (samples[slot]! > 0) rows.push([slot * slotS, meanW[slot]!, lowestW[slot]!, highestW[slot]!, samples[slot]!]);
  }
  return table(['timeS', 'meanW', 'lowestW', 'highestW', 'samples'], rows);
}

function table(fields: readonly string[], data: readonly (readonly (string | number)[])[]): string {
  return Papa.unparse({ fields: [...fields], data: data.map((row) => row.map(harmless)) }, { newline: NEWLINE }) + NEWLINE;
}
