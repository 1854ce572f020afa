import { writeFileSync } from 'node:fs';
import { powerSheet } from '@viaggio/core/words';
import { parsePlan } from '../plan/read-plan';
import { tellIssues } from './evaluate';
import { itemIn, rigIn } from './item-in';
import type { Output } from './solve';

/** What is printed, and where it is written. */
interface SheetOptions {
  readonly day?: string | undefined;
  readonly rig?: string | undefined;
  readonly trip?: string | undefined;
  readonly out?: string | undefined;
  readonly paper?: string | undefined;
}

/** `viaggio sheet FILE --day ID --out sheet.pdf`: the crew's power sheet. Returns the exit code. */
export async function sheetText(text: string, { day, rig, trip, out = '', paper = 'a4' }: SheetOptions, output: Output): Promise<number> {
  const { err } = output;
  if (paper !== 'a4' && paper !== 'letter') {
    err(`--paper: expected a4 or letter; got “${paper.slice(0, 60)}”.`);
    return 1;
  }
  if (day === undefined && rig === undefined) {
    err('--day is missing, or --rig for one rig alone');
    return 1;
  }
  const read = parsePlan(text);
  if (!read.ok) return tellIssues(read.issues, err);
  const { plan } = read;
  const ofDay = day === undefined ? undefined : itemIn('day', plan.days ?? [], day, err);
  const ofRig = rig === undefined ? undefined : rigIn(plan, rig, err);
  const asked = trip === undefined ? undefined : itemIn('trip', plan.trips ?? [], trip, err);
  if ((day !== undefined && !ofDay) || (rig !== undefined && !ofRig) || (trip !== undefined && !asked)) return 1;
  const own = asked ?? (plan.trips ?? []).find(({ body }) => ofDay && body.dayIds?.includes(ofDay.id));
  const sheet = powerSheet({
    gear: new Map(plan.gear.map(({ id, body }) => [id, body])),
    rigs: new Map(plan.rigs.map(({ id, body }) => [id, body])),
    day: ofDay?.body,
    trip: own?.body,
    sheets: plan.sheets ?? [],
    ...(ofRig && { rigIds: [ofRig.id] }),
  });
  // what draws is loaded for this command only
  const { powerSheetPdf } = await import('../prints/power-sheet-pdf');
  const bytes = await powerSheetPdf(sheet, paper, new Date().toISOString().slice(0, 16).replace('T', ' ') + ' UTC');
  writeFileSync(out, bytes);
  output.out(JSON.stringify({ written: out, bytes: bytes.length }));
  return 0;
}
