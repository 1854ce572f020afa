import type { Facts, FindingCode } from '../src/findings/facts';
import { finding } from '../src/findings/finding';
import type { Contract } from '../src/physics/usb/power-delivery';

const CONTRACT: Contract = { voltageV: 9, currentA: 3, powerW: 27, limitedBy: 'source', by: 'profile' };
const PLAIN: Contract = { voltageV: 5, currentA: 2, powerW: 10, limitedBy: 'source', by: 'plain-5v' };
const PORT = { maxA: 4.2, by: 'port', past: 'trips', part: 'Holmvik 49', port: 'D-tap' } as const;
const CABLE = { maxA: 3, by: 'cable', past: 'overheats', part: 'D-tap lead', port: undefined } as const;
const RANGE = { supply: 'Holmvik 95', highV: 16.8, lowV: 12, place: 'DC in of Skuadon 60', minV: 11, maxV: 17 };
const STANDING = {
  edge: 'front',
  marginMm: 41.6,
  marginShare: 0.14,
  alongMm: 63.2,
  massG: 4210,
  angleDeg: 7.3,
  counterweightG: 900,
  ballastG: 2100,
};
const LASTING = { wantedMin: 240, plannedMin: 180, firstStopMin: 200, gapMin: 0 };
const SHORT = { device: 'Plovera R', contract: CONTRACT, needW: 45, refuses: false, addedW: undefined, cableEnd: undefined };
const TOGETHER = { parts: ['Holmvik 95', 'Splitter'], stops: ['Skuadon 60', 'Lysning 7'], devices: 3 };
const VOLTS = { need: 'volts', needV: 14, startV: 15.2, endV: 12.4 } as const;

const AT_JOINT = {
  part: 'D-tap of Holmvik 95',
  next: 'Lysning 7',
  lead: 'Drawer lead',
  unit: 'V',
  lowest: 12,
  highest: 16.9,
  on: '2026-01-11',
} as const;

/** At least one set of facts for every code, and one for every form its sentence takes. */
export const SAMPLES: { readonly [C in FindingCode]: readonly Facts[C][] } = {
  'part-missing': [
    { gone: 'part', kind: 'battery' },
    { gone: 'part', kind: undefined },
    { gone: 'mode', device: 'Plovera R', mode: 'top' },
    { gone: 'phase-mode', device: 'Plovera R', mode: 'top' },
    { gone: 'phase-device' },
    { gone: 'output', of: 'Holmvik 95', port: 'tap-2' },
    { gone: 'input', of: 'Plovera R', port: 'usb' },
  ],
  'used-twice': [
    { of: 'Holmvik 95', port: 'D-tap' },
    { of: 'D-tap lead', port: undefined },
  ],
  'not-fed': [
    { of: 'Plovera R', handsOn: false },
    { of: 'Splitter', handsOn: true },
  ],
  loop: [{ of: 'Splitter' }],
  'connector-fits': [{ from: 'Holmvik 95', to: 'D-tap lead', connector: 'D-tap' }],
  'connector-mismatch': [{ from: 'Holmvik 95', to: 'Barrel lead', has: 'D-tap', takes: 'XLR-4' }],
  'connector-unknown': [
    { from: 'Holmvik 95', to: 'Lamp', has: 'barrel plug', takes: 'barrel plug', barrel: true },
    { from: 'Cell', to: 'Plovera R', has: 'battery bay', takes: 'battery bay', barrel: false },
  ],
  'cable-missing': [{ from: 'USB-C of Grynna 27 PD', to: 'USB-C of Plovera R', socket: 'USB-C' }],
  'polarity-reversed': [
    { from: 'Barrel lead', to: 'Lamp', device: 'Lamp', crossed: false, connector: 'barrel', comes: 'second', takes: 'first' },
    { from: 'Crossed lead', to: 'Lamp', device: 'Lamp', crossed: true, connector: 'xlr4', comes: 'first', takes: 'second' },
  ],
  'polarity-unknown': [{ from: 'Barrel lead', to: 'Lamp', connector: 'barrel plug' }],
  'port-taken': [
    { port: 'USB-C', device: 'Plovera R', duty: 'data' },
    { port: 'USB-C', device: 'Plovera R', duty: undefined },
  ],
  'fit-note': [{ of: 'Adapter M', note: 'The door has to close over the lead.' }],
  refused: [
    { by: 'Plovera R', adapter: 'Adapter M', grip: false },
    { by: 'Grip', adapter: 'Adapter M', grip: true },
  ],
  'figure-missing': [
    ...(
      [
        'output-voltage',
        'port-offer',
        'port-offer-shared',
        'port-current',
        'cable-current',
        'energy',
        'draw',
        'draw-behind-feed',
        'draw-below-feed',
        'highest-voltage',
        'lowest-voltage',
        'profiles',
        'rated-power',
      ] as const
    ).map((lack) => ({ lack, of: 'Grynna 27 PD', port: 'USB-C', readW: 0.2 })),
    { lack: 'mode', device: 'Plovera R', mode: undefined, need: { need: 'volts-unknown' } },
    { lack: 'mode', device: 'Plovera R', mode: '4K 50', need: { need: 'contract-unknown' } },
    {
      lack: 'feature',
      device: 'Murre 6',
      feature: 'Phantom power',
      silently: true,
      need: { need: 'recognition-unknown', battery: 'Adapter M' },
    },
  ],
  'voltage-fits': [RANGE, { ...RANGE, highV: 12, lowV: 12 }],
  'over-voltage': [RANGE, { ...RANGE, minV: undefined, maxV: 15 }],
  'over-voltage-charging': [{ battery: 'Lead-acid pair', place: 'Regulator', chargeV: 14.4, maxV: 14 }],
  'under-voltage': [{ ...RANGE, arrivesV: 10.8 }],
  'charge-stranded': [
    { by: 'cutoff', battery: 'Holmvik 49', loads: ['Skuadon 60', 'Lysning 7'], cutoffV: 12, charge: 0.12, leftWh: 5.6 },
    { by: 'cutoff', battery: 'Holmvik 49', loads: ['Skuadon 60'], cutoffV: 12, charge: 0.12, leftWh: 5.6 },
    { by: 'window', battery: 'Holmvik 49', ...RANGE, charge: 0.12, leftWh: 5.6, leftShare: 0.11, oneMoreFits: true },
    { by: 'window-untimed', ...RANGE, minV: 13 },
  ],
  'will-not-start': [
    { ...RANGE, startV: 15, givenV: 14.6, charge: 0.5, underLoad: false },
    { ...RANGE, startV: 14, givenV: 14.6, charge: 0.5, underLoad: true },
  ],
  'wire-drop': [{ cable: 'Barrel lead', to: 'Lamp', dropV: 0.9, dropShare: 0.07, currentA: 3 }],
  'current-fits': [
    { startA: 1, endA: 1, limit: PORT },
    { startA: 1, endA: 1.4, limit: CABLE },
  ],
  'over-current': [
    { at: 'lead', to: 'Lamp', startA: 4.5, endA: 5.2, limit: PORT },
    { at: 'battery', battery: 'Holmvik 49', maxA: 4, isBare: false },
    { at: 'battery', battery: 'Two bare cells', maxA: 4, isBare: true },
  ],
  'over-current-late': [
    ...(['contract', 'port', 'port-fuse', 'cable', 'cable-fuse', 'input', 'part-fuse', 'battery'] as const).map((by) => ({
      at: 'lead' as const,
      to: 'Lamp',
      startA: 3.4,
      endA: 4.5,
      limit: { ...PORT, by },
      afterMin: 242,
      arrivesV: 12.4,
    })),
    { at: 'battery', battery: 'Holmvik 49', maxA: 4, isBare: false, afterMin: 30 },
  ],
  'peak-over-rating': [
    { device: 'Lamp', peakW: 60, peakA: 4.6, limit: CABLE },
    { device: 'Lamp', peakW: 60, peakA: 4.6, limit: { maxA: 4, by: 'input', past: 'rating', part: 'Lamp', port: 'DC in' } },
  ],
  'peak-stops': [
    { battery: 'Cell', peakW: 20, charge: 0.3, afterMin: 40 },
    { battery: 'Cell', peakW: 20, charge: 1, afterMin: 0 },
  ],
  collapse: [
    { source: 'Cell', loads: ['Lamp'], afterMin: 0 },
    { source: 'Cell', loads: ['Lamp', 'Monitor', 'Camera'], afterMin: 20 },
  ],
  'adapter-overloaded': [
    { adapter: 'Adapter M', load: 'Plovera R', wantedW: 14, ratedW: 12, atPeaks: false },
    { adapter: 'Adapter M', load: 'Plovera R', wantedW: 14, ratedW: 12, atPeaks: true },
  ],
  'budget-passed': [
    { of: 'Splitter', budget: 'all taps', maxA: 8, maxW: undefined, takenA: 8.2, afterMin: 0 },
    { of: 'Splitter', budget: 'all taps', maxA: 8, maxW: 100, takenA: 8.2, afterMin: 30 },
  ],
  'budget-shared': [
    { port: 'USB-C 1', of: 'Grynna 100', neighbours: ['USB-C 2', 'USB-A'], device: 'Plovera R', bridged: false, contractW: 45 },
  ],
  'regulator-hot': [{ adapter: 'Regulator', inV: 13.6, outV: 7.4, currentA: 0.9, heatW: 5.58 }],
  'wire-hot': [{ cable: 'Barrel lead', to: 'Lamp', areaMm2: 0.2, currentA: 5, carriesA: 2 }],
  'fuse-small': [{ fuseA: 3, currentA: 2.9, wantedA: 3.6, sizeA: 4 }],
  'fuse-large': [{ fuseA: 10, carriesA: 5 }],
  'fuse-none': [
    { from: 'Lead-acid pair', to: 'Regulator', sizeA: 5 },
    { from: 'Lead-acid pair', to: 'Regulator', sizeA: undefined },
  ],
  'contract-fits': [{ contract: CONTRACT, needW: 18 }],
  'contract-none': (['no-delivery', 'usb-a-end', 'no-profile'] as const).flatMap((why) => [
    { why, port: 'USB-C', of: 'Grynna 27 PD', cable: 'A-to-C lead', device: 'Plovera R', minV: 9, maxV: 15 },
    { why, port: 'USB-C', of: 'Grynna 27 PD', cable: undefined, device: 'Plovera R', minV: 15, maxV: 15 },
  ]),
  'contract-short': [SHORT, { ...SHORT, refuses: true, cableEnd: 'usb-c' }, { ...SHORT, addedW: 18, cableEnd: 'usb-a' }],
  'legacy-short': [
    { ...SHORT, contract: PLAIN },
    { ...SHORT, contract: PLAIN, addedW: 8 },
  ],
  'sink-needs-battery': [{ device: 'Plovera R' }],
  'sink-only-charges': [{ device: 'Plovera R' }],
  'battery-drains': [{ device: 'Plovera R', flatMin: 95 }],
  'mode-lost': [
    { device: 'Plovera R', mode: '4K 50', need: VOLTS },
    { device: 'Plovera R', mode: undefined, need: { need: 'no-battery' } },
  ],
  'mode-lost-late': [{ device: 'Plovera R', mode: '4K 50', need: VOLTS }],
  'mode-closed': [
    { device: 'Plovera R', mode: '4K 50', need: { need: 'contract', needW: 45, givenW: 27 } },
    { device: 'Plovera R', mode: '4K 50', need: { need: 'recognition-unknown', battery: 'Adapter M' } },
  ],
  'feature-lost': [
    { device: 'Murre 6', feature: 'Phantom power', silently: true, need: { need: 'delivery', needW: 15 } },
    { device: 'Murre 6', feature: 'Phantom power', silently: false, need: { need: 'recognised', battery: 'Adapter M' } },
  ],
  'changed-by-hand': [
    { part: 'Adapter M pass-through, barrel', changes: 1, what: 'new lead soldered in', unseen: [] },
    { part: 'Two-cell pack of our own', changes: 2, what: 'thermistor replaced', unseen: ['temperature', 'make'] },
    { part: 'Adapter M from D-tap', changes: 1, what: 'data contact left out', unseen: ['charge'] },
  ],
  'gauge-blind': [
    { adapter: 'Adapter M', device: 'Plovera R', shows: 'always-full', plannedMin: 80 },
    { adapter: 'Adapter M', device: 'Plovera R', shows: 'none', plannedMin: undefined },
  ],
  'measured-stop': [
    { ...AT_JOINT, wrong: 'reversed', reading: -15.2 },
    { ...AT_JOINT, wrong: 'nothing-there', reading: 0, lead: undefined },
    { ...AT_JOINT, wrong: 'too-high', reading: 18.4 },
    { ...AT_JOINT, wrong: 'too-high', reading: undefined },
    { ...AT_JOINT, wrong: 'too-low', reading: 9.1, highest: undefined },
    { ...AT_JOINT, wrong: 'broken', reading: undefined, unit: 'ohm', lowest: undefined, highest: 0.5 },
    { ...AT_JOINT, wrong: 'short', reading: 0.2, unit: 'ohm', lowest: undefined, highest: 0.5 },
  ],
  'contacts-stop': [
    { substitute: 'Adapter M', device: 'Skuadon 60', contacts: ['1'], on: '2026-01-11' },
    { substitute: 'Adapter M', device: undefined, contacts: ['1', '3'], on: '2026-01-11' },
  ],
  'groups-stop': [
    { battery: 'Holmvik 95', groups: [3], on: '2026-01-11' },
    { battery: 'Holmvik 95', groups: [1, 3], on: '2026-01-11' },
  ],
  'gear-harmed': (['swollen', 'leaks', 'wet', 'dropped', 'hot', 'damaged', 'recalled', 'handed-over'] as const).map((what) => ({
    part: 'Holmvik 95',
    what,
    on: what === 'wet' ? undefined : '2026-01-10',
  })),
  'gear-away': (['broken', 'lost', 'lent', 'packed', 'archived'] as const).map((where) => ({ part: 'Holmvik 95', where })),
  'nothing-cuts-off': [
    { battery: 'Home-made pack', cells: 4, endsV: undefined, floorV: 10, alarmV: 13.2, primary: false },
    { battery: 'Old block', cells: 6, endsV: 9.8, floorV: 10.5, alarmV: 11.4, primary: false },
    { battery: 'Old block', cells: 6, endsV: 11, floorV: 10.5, alarmV: 11.4, primary: false },
    { battery: 'Four AA', cells: 4, endsV: undefined, floorV: 3.2, alarmV: 4, primary: true },
  ],
  'balance-fits': [
    { on: 'feet', ...STANDING },
    { on: 'feet', ...STANDING, angleDeg: undefined },
    { on: 'stabiliser', massG: 1800, payloadG: 2500 },
  ],
  'balance-unknown': [{ places: ['Holmvik 95'], masses: ['Lamp', 'Monitor'] }],
  'tips-over': [
    { ...STANDING, marginMm: -12 },
    { ...STANDING, edge: 'back', counterweightG: undefined },
  ],
  'tips-easily': [STANDING],
  'payload-passed': [{ massG: 2700, payloadG: 2500 }],
  'payload-near': [{ massG: 2400, payloadG: 2500 }],
  'swap-shifts': [{ battery: 'Holmvik 95', spare: 'Holmvik 49', alongMm: -7.2, massG: 300 }],
  'single-point': [TOGETHER],
  'stops-together': [TOGETHER],
  'no-cushion': [
    { devices: ['Plovera R'], wantedMin: 240, firstSwapMin: 100, swapMin: 1 },
    { devices: ['Plovera R', 'Lysning 7'], wantedMin: 240, firstSwapMin: 100, swapMin: 1 },
  ],
  'take-ends': [
    { device: 'Skuadon 60', mode: '4K at 100 frames', takeMin: 29, runsMin: 120 },
    { device: 'Skuadon 60', mode: undefined, takeMin: 29, runsMin: undefined },
  ],
  'heat-ends': [
    {
      device: 'Skuadon 60',
      mode: '4K at 100 frames',
      hotMin: 25,
      hotFromC: 22,
      coolMin: 12,
      temperatureC: 25,
      assumed: true,
      runsMin: 120,
    },
    {
      device: 'Skuadon 60',
      mode: undefined,
      hotMin: 25,
      hotFromC: undefined,
      coolMin: undefined,
      temperatureC: 30,
      assumed: false,
      runsMin: undefined,
    },
  ],
  'port-weak': [{ adapter: 'Adapter M', port: 'USB-A', of: 'Grynna 10', portA: 1, leastA: 2 }],
  'two-plugs': [
    { adapter: 'Adapter M', port: 'USB-A 1', of: 'Grynna 10', second: 'USB-A 2' },
    { adapter: 'Adapter M', port: 'USB-A 1', of: 'Grynna 10', second: undefined },
  ],
  'mount-covers': [
    { part: 'Kjolen plate', device: 'Skuadon 60', place: 'behind', what: 'screen', port: undefined, blocked: false },
    { part: 'Kjolen plate', device: 'Skuadon 60', place: 'behind', what: 'port', port: 'DC inlet', blocked: false },
    { part: 'Kjolen plate', device: 'Skuadon 60', place: 'behind', what: 'port', port: undefined, blocked: true },
    { part: 'Grynna 27 PD', device: 'Skuadon 60', place: 'under', what: 'thread', port: undefined, blocked: false },
    { part: 'Grynna 27 PD', device: 'Skuadon 60', place: 'top', what: 'viewfinder', port: undefined, blocked: false },
    { part: 'Grynna 27 PD', device: 'Skuadon 60', place: 'top', what: 'light', port: undefined, blocked: false },
  ],
  'mount-overloaded': [{ device: 'Skuadon 60', place: 'top', maxG: 500, massG: 640, parts: ['Holmvik 95'], unweighed: [] }],
  'mount-unweighed': [{ device: 'Skuadon 60', place: 'top', maxG: 500, massG: 0, parts: ['Holmvik 95'], unweighed: ['Holmvik 95'] }],
  'spare-unfit': [
    ...(['energy-unknown', 'other-cells', 'other-cutoff', 'less-current'] as const).map((why) => ({
      spare: 'Holmvik 49',
      battery: 'Holmvik 95',
      trouble: { why },
    })),
    { spare: 'Holmvik 49', battery: 'Holmvik 95', trouble: { why: 'no-port', port: 'USB-C' } },
  ],
  lasts: [{ ...LASTING, wantedMin: 120 }],
  'lasts-into-reserve': [{ ...LASTING, wantedMin: 190 }],
  'too-short': [{ ...LASTING, gapMin: 2 }, LASTING, { ...LASTING, plannedMin: 0, firstStopMin: 0 }],
  'takes-no-power': [{ device: 'Plovera R', port: 'Remote', source: 'Holmvik 95' }],
  'pins-missing': [{ device: 'Plovera R', port: 'Bay', source: 'Adapter M', missing: ['thermistor', 'data'] }],
  'figure-doubtful': [
    ...(
      [
        ['wire', 0.08, 2.5],
        ['lead-ohms', 0.9, 0.1],
        ['cell-amps', 30, 16],
        ['cell-ohms', 0.4, 0.1],
        ['measured', 140, 95],
        ['charging', 8.4, 16.8],
        ['peak', 5, 14],
        ['frames', 40, 30],
        ['poe', 10, 25.5],
        ['start', 18, 17],
        ['supply-range', 12, 11],
      ] as const
    ).map(([is, one, other]) => ({ doubt: 'pair', is, of: 'Holmvik 95', one, other }) as const),
    { doubt: 'cutoff', of: 'Holmvik 95', cells: 4, cutoffV: 18, lowV: 9.6, highV: 14.4 },
    { doubt: 'range', of: 'Lamp', port: 'DC', minV: 17, maxV: 11 },
    { doubt: 'cells', of: 'Holmvik 95', cells: 3, nominalV: 14.4, cellsV: 10.8 },
    { doubt: 'energy', of: 'Holmvik 95', cells: 4, energyWh: 95, countedWh: 50 },
    { doubt: 'watts', of: 'Grynna 27 PD', port: 'USB-C', watts: 27, voltageV: 9, currentA: 2 },
    { doubt: 'watts', of: 'Adapter M', port: undefined, watts: 30, voltageV: 8, currentA: 2 },
  ],
  'assumption-decides': [false, true].map((stopsAsAssumed) => ({
    otherwise: finding(
      'poe-short',
      'stop',
      { aspect: 'current', role: 'device', part: 'Lamp' },
      { device: 'Lamp', agreedW: 25.5, wantedW: 30 },
    ),
    stopsAsAssumed,
    assumed: [
      {
        role: 'cable',
        gearId: 'lead',
        part: 'D-tap lead',
        value: 0.08,
        unit: 'ohm',
        from: 'assumed',
        basis: { of: 'cable-resistance' },
        range: { low: 0.03, high: 0.2 },
      },
    ],
  })),
  'outside-known': [{ battery: 'Holmvik 95', temperatureC: -28, lowestC: -20 }],
  'supply-sags': [{ ...RANGE, lowV: 10.2 }],
  'cannot-raise': [{ converter: 'Step-down', outV: 12, source: 'Plovera cell M', givenV: 8.4 }],
  'will-not-restart': [
    { place: 'Step-up plate', source: 'Holmvik 95', startV: 14, fromMin: 90, charge: 0.4 },
    { place: 'Step-up plate', source: 'Holmvik 95', startV: 14, fromMin: undefined, charge: undefined },
  ],
  'parallel-unlike': (['supply', 'chemistry', 'cells', 'never'] as const).map((why) => ({
    hub: 'Kjolen plate',
    one: 'Holmvik 95',
    other: 'Holmvik 49',
    why,
  })),
  'parallel-current': [
    { hub: 'Kjolen plate', one: 'Holmvik 95', other: 'Holmvik 49', oneV: 16.4, otherV: 15, ohm: 0.2, currentA: 7, limitA: 1.7 },
  ],
  'charging-harms': [
    { battery: 'Holmvik 95', why: 'cold', temperatureC: -4 },
    { battery: 'AA holder', why: 'primary', temperatureC: 20 },
    { battery: 'Grynna 10', why: 'feeding', temperatureC: 20 },
  ],
  'peaks-together': [
    { source: 'Holmvik 95', devices: ['Lamp', 'Motor'], powerW: 120, charge: 0.4, breaks: 'over-current', limit: PORT },
    { source: 'Holmvik 95', devices: ['Lamp', 'Motor'], powerW: 120, charge: 0.4, breaks: 'over-current', limit: undefined },
    { source: 'Holmvik 95', devices: ['Lamp', 'Motor'], powerW: 120, charge: 0.4, breaks: 'collapse', limit: undefined },
    { source: 'Holmvik 95', devices: ['Lamp', 'Motor'], powerW: 120, charge: 0.4, breaks: 'pack-cutoff', limit: undefined },
  ],
  'pack-limit-unknown': [{ battery: 'Holmvik 49', currentA: 8, usualA: 6.8, lowA: 3.4, highA: 20.4 }],
  'bank-switches-off': [
    { bank: 'Grynna 10', loads: ['Tern Link'], currentA: 0.05, leastA: undefined, lowA: 0.02, highA: 0.15 },
    { bank: 'Grynna 10', loads: ['Tern Link', 'Lamp'], currentA: 0.05, leastA: 0.06, lowA: 0.02, highA: 0.15 },
  ],
  'poe-short': [{ device: 'Camera B', agreedW: 12.95, wantedW: 18 }],
  'fuse-far': [{ cable: 'Bare lead', source: 'Lead-acid pair' }],
  'built-in-only': [{ device: 'Lamp', energyWh: 12 }],
  'series-unlike': [
    { hub: 'Holder', batteries: 'Cell A + Cell B', why: 'chemistry' },
    { hub: 'Holder', batteries: 'Cell A + Cell B', why: 'capacity', lowAh: 2, highAh: 3 },
    { hub: 'Holder', batteries: 'Cell A + Cell B', why: 'charge', lowCharge: 0.5, highCharge: 1 },
  ],
};
