import type { GaugeFact } from '../../answer/gauge-fact';
import type { HelpAct } from '../../day/planner/help-act';
import type { Dark } from '../../day/run/dark';
import type { RemedyAct } from '../../feed/remedy-act';
import { sayGauge } from './answer/gauge-words';
import { sayDark, sayHelp } from './day/day-words';
import { sayRemedy } from './feed/remedy-words';

const LONGEST = 150;
const REMEDIES: { readonly [A in RemedyAct['act']]: Extract<RemedyAct, { act: A }> } = {
  'use-output': { act: 'use-output', output: 'D-tap 2', part: 'Plate V' },
  'use-cable': { act: 'use-cable', cable: 'D-tap lead, 0.6 m' },
  'use-part': { act: 'use-part', part: 'V2: Holmvik 95' },
  'turn-down': { act: 'turn-down', device: 'Sela 7 monitor', scale: 0.65 },
  'change-mode': { act: 'change-mode', device: 'Skuadon 60', mode: undefined },
  charge: { act: 'charge', battery: 'V4: Holmvik 49' },
  carry: { act: 'carry', spares: ['V2: Holmvik 95', 'V3: Holmvik 143'] },
  feed: { act: 'feed', device: 'Skuadon 60', feed: 'Holmvik 95 → Adapter M from D-tap' },
};
const GAUGES: readonly GaugeFact[] = [
  { fact: 'held-full', adapter: 'Adapter M' },
  { fact: 'blind', adapter: 'Adapter M' },
  { fact: 'changed', part: 'Adapter M' },
  { fact: 'not-entered' },
  { fact: 'none' },
  { fact: 'counts', steps: 4 },
  { fact: 'reads-volts', offBy: 0.234 },
];
const DARK: readonly Dark[] = ['change', 'empty-seat', 'gave-out'];
const HELPS: readonly HelpAct[] = [
  { act: 'battery', name: 'Holmvik 95', energyWh: 95 },
  { act: 'charger', name: 'Twin charger', place: 'Quay hut' },
  { act: 'dim', devices: ['Sela 7 monitor'], rig: 'Deck', scale: 0.6, after: '14:30' },
];

/** Short, whole, and with no field that was forgotten. */
function expectSound(said: string): void {
  expect(said.length).toBeLessThanOrEqual(LONGEST);
  expect(said).toMatch(/^[A-Z].*\S$/);
  expect(said).not.toMatch(/undefined|NaN|\[object|\$\{/);
}

it('every remedy is told as an act', () => {
  for (const act of Object.values(REMEDIES)) {
    expectSound(sayRemedy(act));
    expect(sayRemedy(act)).toMatch(/^(Use|Turn|Put|Charge|Carry|Feed) .*[^.]$/);
  }
  expect(sayRemedy({ act: 'carry', spares: ['V2'] })).toBe('Carry V2 as a spare');
  expect(sayRemedy(REMEDIES['change-mode'])).toBe('Put Skuadon 60 into its usual mode');
});

it('gauges, dark devices and helps are told in sentences', () => {
  for (const said of [...GAUGES.map(sayGauge), ...DARK.map((why) => sayDark('Skuadon 60', why)), ...HELPS.map(sayHelp)]) {
    expectSound(said);
    expect(said).toMatch(/\.$/);
  }
  expect(sayHelp({ act: 'dim', devices: ['A', 'B'], rig: 'Deck', scale: 0.6, after: undefined })).toBe(
    'A and B of Deck turned down to 60 %.',
  );
  expect(sayGauge({ fact: 'reads-volts', offBy: 0.234 })).toContain('off by up to 23 points');
});
