import { assess } from '../../answer/assess';
import { LOW_WATER } from '../../demo/low-water';
import { ITEM_KINDS } from '../../document/item-kinds';
import type { Battery, Gear } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { missingFields } from '../../shape/missing-fields';
import { CHEMISTRIES } from '../../tables/chemistries';
import { sayBuild } from '../../words/en/bench/build-words';
import { sayBuilt } from '../../words/en/bench/tell-size';
import { leadNeighbours, sizeLead } from '../size/lead';
import { sizePack } from '../size/pack';
import type { PackQuestion } from '../size/pack';
import { SIZE_TOOLS } from '../size/tools';
import { leadSheet, packSheet } from './build-sheet';
import { gearOfSize } from './gear-of-size';
import type { Built } from './gear-of-size';
import { packAt } from './pack-at';
import { packOptions } from './pack-options';
import { parallelOf, sizesOfRig } from './sizes-of-rig';
import fc from 'fast-check';

const gear = new Map<string, Gear>(LOW_WATER.gear.map(({ id, body }) => [id, body]));
const RIGS = LOW_WATER.rigs;
const BUILT: Built = {
  name: 'Our own',
  at: '2026-01-12',
  ends: { source: { type: 'd-tap' }, load: { type: 'barrel', outerMm: 5.5, innerMm: 2.1, polarity: 'centre-positive' } },
};
const CELL = { chemistry: 'li-ion', capacityAh: 3, maxA: 8, massG: 48 } as const;

describe('the sizes of a rig', () => {
  it('are questions that their tools can answer, for every demo rig', () => {
    const all = RIGS.flatMap(({ body }) => sizesOfRig(body, gear));
    expect(new Set(all.map(({ tool }) => tool))).toEqual(new Set(['lead', 'fuse', 'converter']));
    for (const { tool, question, title } of all) {
      expect([title, missingFields(SIZE_TOOLS[tool].question, question)]).toEqual([title, []]);
      expect(SIZE_TOOLS[tool].size(question as never)).toHaveProperty('formula');
    }
  });

  it('take the highest current of the whole run: a constant load draws most at the end', () => {
    const rig = RIGS.find(({ body }) => body.name === 'Monitor on the drawer lead')!.body;
    const { run } = assess(rig, gear);
    const [lead] = sizesOfRig(rig, gear);
    const last = run!.end!.feeds.at(-1)!.currentA;
    expect(lead!.question['currentA']).toBeCloseTo(last, 2);
    expect(last).toBeGreaterThan(run!.start!.feeds.at(-1)!.currentA);
    expect(lead!.runMin).toBeCloseTo(run!.minutes, 6);
    // the monitor peaks at 24 W of 14.9
    expect(lead!.peakA! / last).toBeCloseTo(24 / (14.6 * 1.02), 2);
  });

  it('of two batteries ask whether they may stand side by side, where both are known', () => {
    const [a, b] = [...gear].filter(([, { kind }]) => kind === 'battery').map(([id]) => id);
    const known = new Map<string, Gear>([a!, b!].map((id) => [id, { ...(gear.get(id) as Battery), resistanceOhm: 0.1 }]));
    const question = parallelOf(RIGS[0]!.body, known, a!, b!);
    expect(missingFields(SIZE_TOOLS.parallel.question, question)).toEqual([]);
    expect(parallelOf(RIGS[0]!.body, known, a!, 'gone')).toBeUndefined();
  });
});

describe('what was sized goes into the kit', () => {
  it.each([
    ['lead', { currentA: 4, lengthM: 1, voltageV: 14.4 }, 'cable'],
    ['converter', { kind: 'linear', packFullV: 16.8, packEmptyV: 12, outputV: 8, loadW: 8, maxInputV: 30, maxOutputA: 2 }, 'adapter'],
    ['converter', { kind: 'step-up', packFullV: 16.8, packEmptyV: 12, outputV: 24, loadW: 40, efficiency: 0.9 }, 'adapter'],
    ['pack', { cell: CELL, cellsInSeries: 4, cellsInParallel: 2, loadW: 30 }, 'battery'],
    ['holder', { chemistry: 'nimh', inSeries: 8, inParallel: 1 }, 'battery'],
    ['fuse', { continuousA: 4, wireMaxA: 9 }, undefined],
    ['lead', { currentA: 190, lengthM: 50, voltageV: 12 }, undefined],
  ] as const)('%s %o as a %s', (tool, question, kind) => {
    const built = gearOfSize(tool, question, { ...BUILT, fuseA: 5 });
    expect(built?.kind).toBe(kind);
    if (!built) return;
    expect(missingFields(ITEM_KINDS.gear.shape, built)).toEqual([]);
    // a highest input that nobody entered is not made up
    if (built.kind === 'adapter') expect(built.input.maxV).toBe('maxInputV' in question ? question.maxInputV : undefined);
    expect(sayBuilt(BUILT.at, SIZE_TOOLS[tool].size(question as never))).toMatch(/^Built 2026-01-12\. .*\d/);
  });

  it('a pack of one’s own runs as its sheet says: the same watt-hours, volts and cut-off', () => {
    const question: PackQuestion = { cell: { ...CELL, maxA: 20 }, cellsInSeries: 4, cellsInParallel: 2, loadW: 30 };
    const size = sizePack(question);
    const pack = gearOfSize('pack', { ...question }, { ...BUILT, ends: { ...BUILT.ends, load: { type: 'd-tap' } } })!;
    if ('error' in size) throw new Error(size.error.code);
    const device: Gear = {
      kind: 'device',
      name: 'Lamp',
      draw: { basis: 'meter', voltageV: 14.4, currentA: 30 / 14.4, at: 'device' },
      inputs: [{ takes: 'window', id: 'in', name: 'In', connector: { type: 'd-tap', gender: 'plug' }, minV: 5, maxV: 20, lead: true }],
    };
    const rig: Rig = {
      name: 'Lamp',
      devices: [{ gearId: 'lamp' }],
      links: [{ from: { gearId: 'pack', portId: 'lead' }, to: { gearId: 'lamp', portId: 'in' } }],
    };
    const { run, figures } = assess(rig, new Map([['pack', pack], ['lamp', device]])); // prettier-ignore
    expect(figures.find(({ basis }) => basis.of === 'energy')?.value).toBeCloseTo(size.energyWh, 6);
    expect(figures.find(({ basis }) => basis.of === 'cutoff')?.value).toBeCloseTo(size.emptyV, 6);
    // within what a faster draw and the pack's own resistance take
    expect(run!.packWh).toBeGreaterThan(0.85 * size.energyWh);
    expect(run!.packWh).toBeLessThan(1.05 * size.energyWh);
    // the lamp's own plug takes a little more
    expect(Math.max(...[run!.start!, run!.end!].map(({ packA }) => packA)) / 2).toBeLessThanOrEqual(size.perCellA * 1.005);
  });
});

describe('a pack at its load', () => {
  it('gives less in the cold and at more watts, for every chemistry', () => {
    for (const chemistry of Object.keys(CHEMISTRIES) as (keyof typeof CHEMISTRIES)[]) {
      const question: PackQuestion = { cell: { chemistry, capacityAh: 5 }, cellsInSeries: 6, cellsInParallel: 2, loadW: 5 };
      const [warm, cold, colder] = packAt(question, [20, 0, -15]);
      expect(warm!.energyWh).toBeGreaterThan(cold!.energyWh);
      expect(cold!.minutes).toBeGreaterThan(colder!.minutes);
      expect(packAt({ ...question, loadW: 40 }, [20])[0]!.minutes).toBeLessThan(warm!.minutes);
    }
  });
});

describe('a pack from what is wanted', () => {
  it('is within the volts, holds enough and gives enough; the fewest cells come first', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 30, noNaN: true }),
        fc.double({ min: 1.45, max: 3, noNaN: true }),
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        (lowestV, times, energyWh, loadW) => {
          const wanted = { lowestV, highestV: lowestV * times, energyWh, loadW };
          const options = packOptions(wanted, CELL);
          const cells = options.filter(({ not }) => not === undefined).map(({ question: q }) => q.cellsInSeries * q.cellsInParallel);
          expect(cells).toEqual([...cells].sort((a, b) => a - b));
          for (const { size, not } of options) {
            expect(size.fullV).toBeLessThanOrEqual(wanted.highestV);
            if (not !== undefined) continue;
            expect(size.emptyV).toBeGreaterThanOrEqual(lowestV);
            expect(size.energyWh).toBeGreaterThanOrEqual(energyWh * (1 - 1e-9));
            expect(size.perCellA).toBeLessThanOrEqual(CELL.maxA * (1 + 1e-9));
          }
        },
      ),
      { numRuns: 200, seed: 3 },
    );
  });

  it('says why it does not do', () => {
    expect(packOptions({ lowestV: 16.5, highestV: 17, energyWh: 40, loadW: 20 }, CELL)[0]?.not?.code).toBe('stops-early');
    expect(packOptions({ lowestV: 11, highestV: 17, energyWh: 90, loadW: 30, mostG: 100 }, CELL)[0]?.not?.code).toBe('too-heavy');
    expect(packOptions({ lowestV: 1, highestV: 2, energyWh: 10, loadW: 1 }, CELL)).toEqual([]);
  });
});

describe('build sheets', () => {
  it('hold the fuse that protects the wire, keyed ends, and power last', () => {
    const size = sizeLead({ currentA: 4, lengthM: 1, voltageV: 14.4 });
    if ('error' in size) throw new Error(size.error.code);
    // a fuse of 5 A is wanted, and 0.41 mm² carries 4.9 A: the wire is named, and no fuse
    expect(leadSheet({ currentA: 4, lengthM: 1, voltageV: 14.4 }, size, BUILT).parts.map(sayBuild).join(' ')).toMatch(
      /AWG 21.*5 A is wanted, and this wire carries 4\.9\d* A/,
    );
    const thicker = sizeLead({ currentA: 3, lengthM: 1.5, voltageV: 14.4 });
    if ('error' in thicker) throw new Error(thicker.error.code);
    const sheet = leadSheet({ currentA: 3, lengthM: 1.5, voltageV: 14.4 }, thicker, BUILT);
    expect(sheet.parts.map(sayBuild).join(' ')).toMatch(/Fuse 4 A/);
    expect(sheet.parts.map(sayBuild).join(' ')).toContain('plus inside');
    expect(sheet.checks.findIndex(({ code }) => code === 'continuity')).toBeLessThan(
      sheet.checks.findIndex(({ code }) => code === 'open-volts'),
    );
    const alike = leadSheet({ currentA: 4, lengthM: 1, voltageV: 14.4 }, size, {
      ...BUILT,
      ends: { source: { type: 'xt60' }, load: { type: 'xt60' } },
    });
    expect(alike.checks[0]?.code).toBe('ends-alike');
  });

  it('of packs count the taps from minus up, for every chemistry', () => {
    for (const chemistry of Object.keys(CHEMISTRIES) as (keyof typeof CHEMISTRIES)[]) {
      const question: PackQuestion = { cell: { chemistry, capacityAh: 2 }, cellsInSeries: 3, cellsInParallel: 1, loadW: 5 };
      const size = sizePack(question);
      if ('error' in size) throw new Error(size.error.code);
      const { parts, checks } = packSheet(question, size, BUILT);
      expect(parts.map(sayBuild).join(' ')).toContain('4 wires');
      expect(checks.map(sayBuild).join(' ')).not.toMatch(/undefined|NaN/);
      expect(parts.some((part) => part.code === 'charger')).toBe(size.chargeV !== null);
    }
  });

  it('of leads stand beside what is sold: thinner ones drop more, thicker ones carry more', () => {
    const rows = leadNeighbours({ currentA: 4, lengthM: 1, voltageV: 14.4 }, 21);
    expect(rows.map(({ awg }) => awg)).toEqual([24, 22, 21, 20, 18]);
    for (const [index, row] of rows.slice(1).entries()) {
      expect(row.dropV).toBeLessThan(rows[index]!.dropV);
      expect(row.maxA).toBeGreaterThan(rows[index]!.maxA);
    }
    expect(leadNeighbours({ currentA: 1, lengthM: 1, voltageV: 14.4 }, 28).map(({ awg }) => awg)).toEqual([28, 26, 24]);
  });
});
