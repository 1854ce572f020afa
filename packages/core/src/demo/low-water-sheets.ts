import { checkSteps, withReading } from '../bench/joints';
import type { CheckStep, MeterReading } from '../bench/joints';
import type { Contact, SheetEntry, SheetOf } from '../bench/sheet';
import type { Gear } from '../gear';
import { demoId, GEAR } from './demo-id';
import { LOW_WATER } from './low-water';
import { moreId } from './more-gear';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));

/** The sheet of a rig with what each step showed; steps without a reading are not measured yet. */
function jointsOf(name: string, at: string, read: (step: CheckStep) => MeterReading | undefined): SheetOf<'joints'> {
  const { id, body } = LOW_WATER.rigs.find((rig) => rig.body.name === name)!;
  const empty: SheetOf<'joints'> = { kind: 'joints', at, by: 'Ine', rigId: id, readings: [] };
  return checkSteps(body, gear).reduce((sheet, step) => withReading(sheet, step, read(step)), empty);
}

/** A little above the middle, as a meter shows it. */
const asExpected = ({ is, minV, maxV }: CheckStep): MeterReading | undefined => {
  if (is === 'lead') return 0.2;
  if (is === 'across') return 'OL';
  return minV === undefined || maxV === undefined ? undefined : Math.round(100 * (minV + 0.6 * (maxV - minV))) / 100;
};

const contacts: readonly Contact[] = [
  { name: '1', role: 'plus', original: { openV: 8.12, loadedV: 7.96 }, substitute: { openV: 7.98, loadedV: 7.9 } },
  { name: '2', role: 'temperature', original: { openV: 0, ohms: 9800 }, substitute: { openV: 0.02, ohms: 10_000 } },
  { name: '3', role: 'data', original: { openV: 0.05, over: true }, substitute: { openV: 4.96, over: true } },
  { name: '4', role: 'minus' },
];

/** What Ine measured so far: one rig ready, two that must not get power, an adapter that must not go in, a pack that is done with. */
export const LOW_WATER_SHEETS: readonly SheetEntry[] = [
  jointsOf('Wheelhouse', '2026-01-11', asExpected),
  // its dial slips: 9.4 V where 8 is written
  jointsOf('Skuadon on the blue board', '2026-01-11', (step) =>
    step.at.is === 'output' && step.at.from.part.startsWith('Step-down module') ? (step.is === 'open' ? 9.4 : undefined) : asExpected(step),
  ),
  jointsOf('Monitor on the drawer lead', '2026-01-11', (step) => (step.is === 'open' ? -16.4 : undefined)),
  {
    kind: 'contacts',
    at: '2026-01-11',
    by: 'Ine',
    name: 'Second-hand adapter S',
    deviceId: GEAR.deckCamera,
    substituteId: moreId('adapterThird'),
    contacts,
  } as const satisfies SheetOf<'contacts'>,
  { kind: 'taps', at: '2026-01-11', by: 'Ine', batteryId: moreId('diy'), volts: [4.02, 3.61] } as const satisfies SheetOf<'taps'>,
].map((body, index) => ({ id: demoId(7001 + index), body }));
