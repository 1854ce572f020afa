import {
  bay,
  behind,
  beside,
  byLead,
  byUsb,
  charged,
  chargeWith,
  converter,
  direct,
  fedBank,
  FLOWS_V,
  inSeries,
  joiner,
  leadAcid,
  ohmFor,
  onPort,
  onSupply,
  PANEL,
  peaking,
  PERCENT,
  poe,
  poeSplit,
  sleepy,
  supply,
  swapped,
  together,
  triggered,
  twoCells,
  wattsFor,
} from '../../testing/hazard-rigs';
import { bank, build, camera, DTAP, dummy, judge, pack, plainBank, stepUp, usbCamera, usbWire, wire } from '../../testing/rig-builder';
import type { Built } from '../../testing/rig-builder';
import type { FindingCode } from '../findings/facts';
import type { FindingLevel } from '../findings/verdict';

/**
 * Cases written from the rules: for each the code that has to be there with its verdict, or a code that must not be.
 * Where a limit is a number both sides are looked at, one per cent apart from it.
 */
type Case = readonly [what: string, built: Built, code: FindingCode, verdict: FindingLevel | undefined];

const CASES: readonly Case[] = [
  // packs joined
  ['a full pack of four cells into one of three', together(pack({ cellsInSeries: 3, cutoffV: 9 })), 'parallel-unlike', 'stop'],
  ['lithium beside lead-acid', together(leadAcid({ cellsInSeries: 7 })), 'parallel-unlike', 'stop'],
  ['LiFePO4 beside Li-ion of as many cells', together(pack({ chemistry: 'lifepo4', cutoffV: 10.4 })), 'parallel-unlike', 'stop'],
  ['two alike, both full', together(pack()), 'parallel-current', undefined],
  ['two alike, 1 % more apart than the smaller may be charged with', together(pack(), [1, chargeWith(FLOWS_V * PERCENT)]), 'parallel-current', 'stop'],
  ['1 % less apart', together(pack(), [1, chargeWith(FLOWS_V / PERCENT)]), 'parallel-current', 'caution'],
  ['one empty and one full', together(pack(), [1, 0.05]), 'parallel-current', 'stop'],
  ['the same behind diodes', together(pack(), [1, 0.05], joiner({ isolates: true })), 'parallel-current', undefined],
  ['unlike ones on a plate that keeps them apart', together(pack({ cellsInSeries: 3, cutoffV: 9 }), [1, 1], joiner({ isolates: true })), 'parallel-unlike', undefined],
  ['unlike ones, one after the other', together(pack({ cellsInSeries: 3, cutoffV: 9 }), [1, 1], joiner({ inputOrder: 'one-by-one' })), 'parallel-unlike', undefined],
  ['unlike ones on a part of which nobody says what it does with several', together(pack({ cellsInSeries: 3, cutoffV: 9 }), [1, 1], joiner({ inputOrder: undefined })), 'parallel-unlike', 'unknown'],
  ['like ones on the same', together(pack(), [1, 1], joiner({ inputOrder: undefined })), 'parallel-unlike', undefined],
  ['a supply beside a battery, nothing between', build({ one: pack(), two: supply('mains', { voltageV: 16 }), hub: joiner(), camera: camera({}, 10, { maxV: 30 }) }, [['one.out', 'hub.in1'], ['two.out', 'hub.in2'], ['hub.p1', 'camera.in']]), 'parallel-unlike', 'stop'],
  // packs in series
  ['two packs of two cells in series feed what wants four', inSeries(twoCells(), twoCells()), 'under-voltage', undefined],
  ['and are too high for what wants two', inSeries(twoCells(), twoCells(), {}, { minV: 6, maxV: 8.6 }), 'over-voltage', 'stop'],
  ['alike, equally charged', inSeries(twoCells(), twoCells()), 'series-unlike', undefined],
  ['of which one is half empty', inSeries(twoCells(), twoCells(), { batteries: [{ gearId: 'two', startCharge: 0.5 }] }), 'series-unlike', 'caution'],
  ['Li-ion and LiFePO4 in series', inSeries(twoCells(), { ...twoCells(), chemistry: 'lifepo4' }), 'series-unlike', 'stop'],
  // USB ports without Power Delivery
  ['a 5 V adapter on a port of 10 W, 1 % over 2 A', onPort(wattsFor(2) * PERCENT, { ratingW: 10 }), 'over-current', 'stop'],
  ['1 % under it', onPort(wattsFor(2) / PERCENT, { ratingW: 10 }), 'over-current', undefined],
  ['on a port of 100 W: 3 A and no more, 1 % over', onPort(wattsFor(3) * PERCENT, { ratingW: 100 }), 'over-current', 'stop'],
  ['1 % under 3 A', onPort(wattsFor(3) / PERCENT, { ratingW: 100 }), 'over-current', undefined],
  ['on a port whose own list gives 1.5 A at 5 V', onPort(wattsFor(1.5) * PERCENT, { ratingW: undefined, profiles: [{ voltageV: 5, currentA: 1.5 }, { voltageV: 9, currentA: 3 }] }), 'over-current', 'stop'],
  ['an A-to-C lead on a Power Delivery port gives no contract', byUsb(bank(), usbCamera(5, { minV: 9 }), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'contract-none', 'stop'],
  ['a Power Delivery port called so on a USB-A socket gives 7.5 W', byUsb(bank({ connector: { type: 'usb-a' } }), usbCamera(7.5 * PERCENT), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'legacy-short', 'stop'],
  ['and not more', byUsb(bank({ connector: { type: 'usb-a' } }), usbCamera(7.5 / PERCENT), usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } })), 'legacy-short', undefined],
  ['a level of 28 V through a cable not marked for it', byUsb(bank({ ratingW: 140 }), usbCamera(20, { minV: 28, maxV: 28 }), usbWire({ marked5A: true })), 'contract-none', 'stop'],
  ['through one that is', byUsb(bank({ ratingW: 140 }), usbCamera(20, { minV: 28, maxV: 28 }), usbWire({ extendedRange: true })), 'contract-none', undefined],
  ['a trigger that asks a programmable supply for 8.4 V', triggered(true), 'contract-none', undefined],
  ['one that asks for a fixed level', triggered(false), 'contract-none', 'stop'],
  ['beside a neighbour its own shorter list counts', beside([{ voltageV: 5, currentA: 3 }]), 'contract-none', 'stop'],
  ['a list that still has the level', beside([{ voltageV: 9, currentA: 3 }]), 'contract-none', undefined],
  ['a bank charged while it feeds, which must not be', fedBank({ chargesWhileFeeding: false }), 'charging-harms', 'stop'],
  ['one that can', fedBank({ chargesWhileFeeding: true }), 'charging-harms', undefined],
  ['one of which nobody knows', fedBank({}), 'figure-missing', 'unknown'],
  // converters
  ['a step-down to 12 V on two cells', behind(converter({ works: 'down' }), twoCells()), 'under-voltage', 'stop'],
  ['a linear regulator to 12 V on two cells', behind(converter({ linear: true }), twoCells()), 'under-voltage', 'stop'],
  ['a step-down hub of 12 V on two cells', build({ pack: twoCells(), hub: { ...stepUp({ minV: 5, maxV: 30 }), outputs: [{ gives: 'fixed', id: 'out', name: 'Output', connector: { type: 'xlr4' }, voltageV: 12, maxA: 5, efficiency: 0.9, works: 'down', lead: true }] }, camera: camera({}, 10, { connector: { type: 'xlr4' }, minV: 10, maxV: 13 }) }, [['pack.out', 'hub.in'], ['hub.out', 'camera.in']]), 'cannot-raise', 'stop'],
  ['one that works both ways', behind(converter({ works: 'both' }), twoCells()), 'under-voltage', undefined],
  ['a step-up to 12 V on 16.8 V hands the 16.8 V on', behind(converter({ works: 'up' })), 'over-voltage', 'stop'],
  ['a step-up to 20 V on the same', behind(converter({ works: 'up', output: { connector: DTAP, voltageV: 20 } }), pack(), { minV: 18, maxV: 21 }), 'over-voltage', undefined],
  // charging in place, supplies
  ['lead-acid on a panel, an input of 14.4 V less 1 %', charged(leadAcid(), { maxV: 14.4 / PERCENT }), 'assumption-decides', 'unknown'],
  ['an input below what every charger gives', charged(leadAcid(), { maxV: 13.6 }), 'over-voltage-charging', 'stop'],
  ['an input above what any charger gives', charged(leadAcid(), { maxV: 15 }), 'over-voltage-charging', undefined],
  ['a charging voltage that was typed, 1 % over the input', charged(leadAcid({ chargeV: 14.4 * PERCENT }), { maxV: 14.4 }), 'over-voltage-charging', 'stop'],
  ['1 % under it', charged(leadAcid({ chargeV: 14.4 / PERCENT }), { maxV: 14.4 }), 'over-voltage-charging', undefined],
  ['a panel in the rig says the same', direct(leadAcid(), camera({}, 5, { minV: 9, maxV: 13.6 }), PANEL), 'over-voltage-charging', 'stop'],
  ['four LiFePO4 cells on a charger come to 14.6 V: an input of that', charged(pack({ chemistry: 'lifepo4', cutoffV: 10.4 }), { maxV: 14.6 }), 'over-voltage-charging', undefined],
  ['an input that their 14.4 V at rest would fit, and 14.6 V would not', charged(pack({ chemistry: 'lifepo4', cutoffV: 10.4 }), { maxV: 14.6 / PERCENT }), 'assumption-decides', 'unknown'],
  ['ten NiMH cells at the end of a quick charge: 16 V, an input of 15.5 V', charged(pack({ chemistry: 'nimh', cellsInSeries: 10, cutoffV: 10 }), { maxV: 15.5 }), 'assumption-decides', 'unknown'],
  ['lithium charged below freezing', charged(pack(), {}, { temperatureC: -1 }), 'charging-harms', 'stop'],
  ['lithium charged above it', charged(pack(), {}, { temperatureC: 1 }), 'charging-harms', undefined],
  ['lead-acid charged below freezing', charged(leadAcid(), { maxV: 16 }, { temperatureC: -5 }), 'charging-harms', undefined],
  ['alkaline cells on a charger', charged(pack({ chemistry: 'alkaline', cellsInSeries: 8, cutoffV: 7.2 }), {}), 'charging-harms', 'stop'],
  ['lithium AA on a charger', charged(pack({ chemistry: 'lithium-metal', cellsInSeries: 8, cutoffV: 7.2 }), {}), 'charging-harms', 'stop'],
  ['eight lithium AA, 14.6 V fresh, where alkaline would have 12.8 V', direct(pack({ chemistry: 'lithium-metal', cellsInSeries: 8, cutoffV: 7.2 }), camera({}, 5, { minV: 7, maxV: 14.6 / PERCENT })), 'over-voltage', 'stop'],
  ['on an input that takes them', direct(pack({ chemistry: 'lithium-metal', cellsInSeries: 8, cutoffV: 7.2 }), camera({}, 5, { minV: 7, maxV: 14.6 * PERCENT })), 'over-voltage', undefined],
  ['a vehicle outlet of 12 V: 14.8 V while it drives, 1 % over the input', onSupply(supply('vehicle'), { minV: 10, maxV: 14.8 / PERCENT }), 'over-voltage', 'stop'],
  ['1 % under it', onSupply(supply('vehicle'), { minV: 10, maxV: 14.8 * PERCENT }), 'over-voltage', undefined],
  ['11 V with the engine off, 1 % under what it needs', onSupply(supply('vehicle'), { minV: 11 * PERCENT, maxV: 16 }), 'supply-sags', 'caution'],
  ['1 % over it', onSupply(supply('vehicle'), { minV: 11 / PERCENT, maxV: 16 }), 'supply-sags', undefined],
  ['an outlet of 24 V: 29.5 V', onSupply(supply('vehicle', { voltageV: 24 }), { minV: 20, maxV: 29.5 / PERCENT }), 'over-voltage', 'stop'],
  ['a range that was typed', onSupply(supply('mains', { minV: 11, maxV: 13.5 }), { minV: 9, maxV: 13.5 / PERCENT }), 'over-voltage', 'stop'],
  ['a bare transformer without load', onSupply(supply('transformer'), { minV: 9, maxV: (12 * 1.3) / PERCENT }), 'over-voltage', 'stop'],
  ['a regulated supply within a twentieth of the limit', onSupply(supply('mains'), { minV: 9, maxV: 12.3 }), 'assumption-decides', 'unknown'],
  ['a regulated supply clear of it', onSupply(supply('mains'), { minV: 9, maxV: 12.7 }), 'assumption-decides', undefined],
  ['a panel of 12 V of which nobody says how high it stands', onSupply(supply('solar'), { minV: 10, maxV: 14 }), 'figure-missing', 'unknown'],
  ['one of which it is said', onSupply(supply('solar', { maxV: 21 }), { minV: 10, maxV: 14 }), 'over-voltage', 'stop'],
  // bare leads, fuses
  ['a pack of unknown limit on bare leads', byLead(wire({ ends: { source: { type: 'bare', polarity: 'as-marked' }, load: DTAP } }), pack({}, { connector: { type: 'bare', polarity: 'as-marked' } })), 'fuse-none', 'caution'],
  ['one whose board gives 3 A', byLead(wire({ ends: { source: { type: 'bare', polarity: 'as-marked' }, load: DTAP } }), pack({ maxA: 3 }, { connector: { type: 'bare', polarity: 'as-marked' } })), 'fuse-none', undefined],
  ['a fuse at the load’s end', byLead(wire({ fuseA: 5, fuseAt: 'load' })), 'fuse-far', 'caution'],
  ['a fuse at the source’s end', byLead(wire({ fuseA: 5, fuseAt: 'source' })), 'fuse-far', undefined],
  // limits by kind
  ['a lead past its rating late in the run: hot, nothing trips', byLead(wire({ maxA: 3.2 }), pack(), camera({}, 40)), 'over-current-late', 'stop'],
  ['a port past its limit late in the run: it trips', direct(pack({}, { maxA: 3.2 }), camera({}, 40)), 'over-current-late', 'caution'],
  ['bare cells past their rating late', direct(pack({ maxA: 3.2, protection: 'none' }), camera({}, 40)), 'over-current-late', 'stop'],
  ['the same behind a board', direct(pack({ maxA: 3.2, protection: 'board' }), camera({}, 40)), 'over-current-late', 'caution'],
  ['a pack of unknown limit at more than its kind surely gives', direct(pack({}, { maxA: 30 }), camera({}, 120)), 'pack-limit-unknown', 'unknown'],
  ['at less', direct(pack({}, { maxA: 30 }), camera({}, 60)), 'pack-limit-unknown', undefined],
  // peaks
  ['two peaks, each within the lead, both beyond it', peaking([60, 60], 8), 'peaks-together', 'caution'],
  ['both within it', peaking([40, 40], 8), 'peaks-together', undefined],
  ['one peak alone', peaking([60, 5], 8), 'peaks-together', undefined],
  // figures that contradict each other
  ['a cut-off of 2.3 V a cell', direct(pack({ cutoffV: 9.2 })), 'figure-doubtful', 'note'],
  ['a cut-off of 2.5 V a cell', direct(pack({ cutoffV: 10 })), 'figure-doubtful', undefined],
  ['a cut-off above the nominal volts', direct(pack({ cutoffV: 14.8 })), 'figure-doubtful', 'unknown'],
  ['14.4 V printed on three cells', direct(pack({ cellsInSeries: 3, nominalV: 14.4, cutoffV: 9 })), 'figure-doubtful', 'note'],
  ['14.8 V printed on four', direct(pack({ nominalV: 14.8 })), 'figure-doubtful', undefined],
  ['95 Wh of cells that come to 50', direct(pack({ cellsInParallel: 1, cell: { capacityAh: 3.5 }, maxA: 20 })), 'figure-doubtful', 'unknown'],
  ['95 Wh of cells that come to 96', direct(pack({ cellsInParallel: 2, cell: { capacityAh: 3.35 }, maxA: 20 })), 'figure-doubtful', undefined],
  ['an adapter of 30 W at 8 V and 2 A', build({ pack: pack(), adapter: dummy({ output: { connector: { type: 'bay', family: 'S' }, voltageV: 8, maxA: 2 } }), camera: usbCamera() }, [['pack.out', 'adapter.in'], ['adapter.out', 'camera.bay']]), 'figure-doubtful', 'note'],
  ['a port of 65 W whose list ends at 45 W', byUsb(bank({ ratingW: 65, profiles: [{ voltageV: 9, currentA: 3 }, { voltageV: 15, currentA: 3 }] }), usbCamera()), 'figure-doubtful', 'note'],
  ['a lowest voltage above the highest', direct(pack(), camera({}, 10, { minV: 17, maxV: 11 })), 'figure-doubtful', 'unknown'],
  // conditions, inputs, contacts
  ['a mode that asks for a contract and for volts: the contract is there, the volts are not', byUsb(bank({ ratingW: 27 }), usbCamera(8, {}, { needs: { contractW: 20, minV: 12 } })), 'mode-lost', 'stop'],
  ['both are there', byUsb(bank({ ratingW: 45 }), usbCamera(8, {}, { needs: { contractW: 20, minV: 12 } })), 'mode-lost', undefined],
  ['a device that needs its battery in has another lead, and no battery', build({ bank: bank(), cable: usbWire(), other: supply('mains'), camera: usbCamera(8, { sink: 'needs-battery' }, { inputs: [{ takes: 'pd', id: 'usb', name: 'USB-C', connector: { type: 'usb-c' }, minV: 5, maxV: 15, sink: 'needs-battery' }, { takes: 'window', id: 'dc', name: 'DC', connector: DTAP, minV: 11, maxV: 17 }] }) }, [['bank.out', 'camera.usb', 'cable'], ['other.out', 'camera.dc']]), 'sink-needs-battery', 'stop'],
  ['an input that takes no power', direct(pack(), camera({}, 10, { noPower: true })), 'takes-no-power', 'stop'],
  ['a bay that needs a thermistor, on a battery with one', bay({ thermistor: true }, { thermistor: true }), 'pins-missing', undefined],
  ['on one without', bay({}, { thermistor: true }), 'pins-missing', 'stop'],
  ['on one of which nobody knows', bay(undefined, { thermistor: true }), 'figure-missing', 'unknown'],
  ['one that has a thermistor and no data contact', bay({ thermistor: true }, { thermistor: true, data: true }), 'pins-missing', 'stop'],
  ['two plugs of one form', direct(pack({}, { connector: { type: 'xt60', gender: 'plug' } }), camera({}, 10, { connector: { type: 'xt60', gender: 'plug' } })), 'connector-mismatch', 'stop'],
  ['a plug and a socket', direct(pack({}, { connector: { type: 'xt60', gender: 'plug' } }), camera({}, 10, { connector: { type: 'xt60', gender: 'socket' } })), 'connector-mismatch', undefined],
  ['two-pin plugs wired the other way round', byLead(wire({ ends: { source: DTAP, load: { type: 'circular2', polarity: 'pin-1-positive' } } }), pack(), camera({}, 10, { connector: { type: 'circular2', polarity: 'pin-1-negative' } })), 'polarity-reversed', 'stop'],
  // PoE
  ['26 W behind a splitter on a port of the second class', poeSplit(26), 'poe-short', 'stop'],
  ['24 W there, and the splitter’s own loss', poeSplit(24 * 0.9), 'poe-short', undefined],
  ['a device of 13 W on the first class', poe(13, 'af', 'at'), 'poe-short', 'stop'],
  ['its own class is what is negotiated', poe(13, 'at', 'af'), 'poe-short', 'stop'],
  ['12.9 W', poe(12.9, 'af', undefined), 'poe-short', undefined],
  // starts, swaps, ends
  ['a plate that runs on below its start', build({ pack: pack(), plate: stepUp({ startV: 14 }), camera: camera({}, 10, { connector: { type: 'xlr4' }, minV: 20, maxV: 33 }) }, [['pack.out', 'plate.in'], ['plate.out', 'camera.in']]), 'will-not-restart', 'caution'],
  ['a plate that stops before', build({ pack: pack(), plate: stepUp({ startV: 14, minV: 14 }), camera: camera({}, 10, { connector: { type: 'xlr4' }, minV: 20, maxV: 33 }) }, [['pack.out', 'plate.in'], ['plate.out', 'camera.in']]), 'will-not-restart', undefined],
  ['a plate whose own load pulls it below its start', build({ pack: pack({ resistanceOhm: 0.3 }), plate: stepUp({ startV: 16.2 }), camera: camera({}, 60, { connector: { type: 'xlr4' }, minV: 20, maxV: 33 }) }, [['pack.out', 'plate.in'], ['plate.out', 'camera.in']]), 'will-not-start', 'caution'],
  ['a swap of a minute on a buffer of 50 s', swapped(50, 1), 'no-cushion', 'note'],
  ['on a buffer of 60 s', swapped(60, 1), 'no-cushion', undefined],
  ['on none, with a spare at hand', swapped(undefined, 1), 'no-cushion', 'note'],
  ['a run that dies within minutes, nearly full', direct(pack(), camera({}, 10, { minV: 16.65 })), 'charge-stranded', 'stop'],
  ['one that dies after an hour', direct(pack(), camera({}, 10, { minV: 15.9 })), 'charge-stranded', 'caution'],
  ['1 % of the energy left is told', direct(pack(), camera({}, 10, { minV: 13 })), 'charge-stranded', 'note'],
  ['a bank that says it switches off below 60 mA, at 50', sleepy(0.25, { leastA: 0.06 }), 'bank-switches-off', 'stop'],
  ['one that says it stays on', sleepy(0.25, { leastA: 0 }), 'bank-switches-off', undefined],
  ['one that says nothing, at 50 mA', sleepy(0.25), 'bank-switches-off', 'unknown'],
  ['at 110 mA', sleepy(0.55), 'bank-switches-off', undefined],
  ['a lamp on its built-in battery alone', build({ pack: pack(), camera: camera(), lamp: camera({ name: 'Lamp', builtIn: { energyWh: 12, cellsInSeries: 2 } }, 4) }, [['pack.out', 'camera.in']]), 'built-in-only', 'caution'],
  // what is assumed, and what is not known
  ['a lead of unknown resistance behind which the volts are enough or not', byLead(wire({ resistanceOhm: undefined }), pack(), camera({}, 40, { minV: 16.2 })), 'assumption-decides', 'unknown'],
  ['a lead whose resistance was typed', byLead(wire({ resistanceOhm: ohmFor(15.5) }), pack(), camera({}, 10, { minV: 15.5 * PERCENT })), 'under-voltage', 'stop'],
  ['1 % less', byLead(wire({ resistanceOhm: ohmFor(15.5) }), pack(), camera({}, 10, { minV: 15.5 / PERCENT })), 'under-voltage', undefined],
  ['a pack of unknown resistance that carries the load or not', direct(pack({ chemistry: 'lifepo4', cutoffV: 10.4, resistanceOhm: undefined }), camera({}, 60, { minV: 12.8 }), { startCharge: 0.9 }), 'assumption-decides', 'unknown'],
  ['a lead of which only the length is known', byLead(wire({ resistanceOhm: undefined, lengthM: 2, maxA: undefined })), 'figure-missing', 'unknown'],
  ['a lead of which the wire is known', byLead(wire({ resistanceOhm: undefined, lengthM: 1, areaMm2: 0.5, maxA: undefined })), 'figure-missing', undefined],
  ['1 % more than 0.5 mm² carries', byLead(wire({ areaMm2: 0.5, maxA: undefined }), pack({}, { maxA: 20 }), camera({}, 6 * PERCENT * (12 - 6 * PERCENT * 0.02))), 'wire-hot', 'stop'],
  ['28 °C of frost', direct(pack(), camera(), { temperatureC: -28 }), 'outside-known', 'unknown'],
  ['20 °C of frost', direct(pack(), camera(), { temperatureC: -20 }), 'outside-known', undefined],
  ['a pack of unknown cells', direct(pack({ cellsInSeries: undefined })), 'figure-missing', 'unknown'],
  ['one whose volts tell its cells', direct(pack({ cellsInSeries: undefined, nominalV: 14.4 })), 'figure-missing', undefined],
  ['a charger’s inlet from 100 V to 240 V on a wall socket', onSupply(supply('mains', { connector: { type: 'mains' }, voltageV: 230, minV: 207, maxV: 240 }), { connector: { type: 'mains' }, minV: 100, maxV: 240 }), 'over-voltage', undefined],
  ['one for 115 V there', onSupply(supply('mains', { connector: { type: 'mains' }, voltageV: 230, minV: 207, maxV: 240 }), { connector: { type: 'mains' }, minV: 100, maxV: 120 }), 'over-voltage', 'stop'],
  ['a supply of unknown volts', onSupply(supply('mains', { voltageV: undefined })), 'figure-missing', 'unknown'],
  ['a supply that follows nothing', build({ supply: { ...supply('mains'), outputs: [{ gives: 'pack', id: 'out', name: 'Output', connector: DTAP, maxA: 5 }] }, camera: camera() }, [['supply.out', 'camera.in']]), 'figure-missing', 'unknown'],
]; // prettier-ignore

describe('verdicts from the rules', () => {
  it.each(CASES)('%s', (_what, built, code, verdict) => {
    const found = judge(built).findings.filter((one) => one.code === code && one.verdict !== 'good');
    if (verdict === undefined) expect(found).toEqual([]);
    else expect(found.map((one) => one.verdict)).toContain(verdict);
  });

  it.each(CASES.filter(([, , , verdict]) => verdict === 'stop' || verdict === 'unknown'))(
    '%s: never good',
    (_what, built, _code, verdict) => {
      expect(verdict === 'stop' ? ['stop'] : ['stop', 'unknown']).toContain(judge(built).verdict);
    },
  );

  it('every one of them is told with its numbers and a way out', () => {
    for (const [, built] of CASES) {
      for (const { verdict, remedy, sentence } of judge(built).findings) {
        expect(sentence).toMatch(/^[^]{10,}\.$/);
        expect(verdict === 'good' || remedy !== undefined).toBe(true);
      }
    }
  });

  it('packs in series hold the watt-hours of both', () => {
    const [two, four] = [inSeries(twoCells(), twoCells()), direct(pack({ energyWh: 100, resistanceOhm: 0.18 }))].map(judge);
    expect(two!.firstStopMin! / four!.firstStopMin!).toBeCloseTo(1, 2);
  });

  it('a swap that nothing bridges is counted off the time asked for', () => {
    // 20 W from 95 Wh and a spare: so long, and five minutes of it without power
    const codesFor = (wantedMin: number, bufferS?: number) => {
      const built = swapped(bufferS, 5);
      return judge({ ...built, rig: { ...built.rig, wantedMin } }).findings.map(({ code }) => code);
    };
    const { plannedMin } = judge(swapped(undefined, 5));
    expect(codesFor(plannedMin! - 5.1)).toContain('lasts');
    expect(codesFor(plannedMin! - 4.9)).toContain('lasts-into-reserve');
    const carried = judge(swapped(300, 5)).plannedMin!;
    expect(codesFor(carried - 0.1, 300)).toContain('lasts');
  });
});

describe('a monitor that passes power on', () => {
  const monitor = camera({ name: 'Monitor', outputs: [{ gives: 'pack', id: 'on', name: 'On', connector: DTAP, maxA: 4 }] }, 15);
  const passed = build({ pack: pack(), monitor, camera: camera({}, 10) }, [
    ['pack.out', 'monitor.in'],
    ['monitor.on', 'camera.in'],
  ]);

  it('draws its own also where the rig does not list it', () => {
    const unlisted = { ...passed, rig: { ...passed.rig, devices: [{ gearId: 'camera' }] } };
    expect(judge(unlisted).firstStopMin).toBeCloseTo(judge(passed).firstStopMin!, 6);
  });
});

/** What stands on labels everywhere and works everywhere. */
describe('what must not hide', () => {
  it('a window typed upside down is not one printed voltage: what is above its top is still told', () => {
    expect(judge(direct(pack(), camera({}, 10, { minV: 17, maxV: 11 }))).findings.map(({ code }) => code)).toContain('over-voltage');
  });

  it('a bank of which nobody knows whether it charges while it feeds must not be charged below freezing all the same', () => {
    const { rig, gear } = fedBank({});
    expect(judge({ rig: { ...rig, temperatureC: -5 }, gear }).findings.map(({ code }) => code)).toContain('charging-harms');
  });

  it('a string is as long as its weakest lasts, wherever that sits, and says how weak it is', () => {
    const weak = { ...twoCells(), energyWh: 25 };
    const [first, second] = [inSeries(weak, twoCells()), inSeries(twoCells(), weak)].map(judge);
    expect(first!.firstStopMin! / second!.firstStopMin!).toBeCloseTo(1, 3);
    for (const told of [first!, second!]) expect(told.findings.find(({ code }) => code === 'series-unlike')!.numbers).toHaveLength(2);
    const [full, half] = [1, 0.5].map((startCharge) => judge(inSeries(twoCells(), twoCells(), { batteries: [{ gearId: 'two', startCharge }] })));
    expect(half!.firstStopMin! / full!.firstStopMin!).toBeLessThan(0.6);
  }); // prettier-ignore

  it('the range that a supply of its kind goes through, and the limits that nobody gave, are listed as assumed', () => {
    const listed = (built: Built) => judge(built).figures.filter(({ from, range }) => from === 'assumed' && range).map(({ name }) => name);
    expect(listed(onSupply(supply('vehicle'), { minV: 10, maxV: 16 }))).toContain('True volts of Output');
    expect(listed(onSupply(supply('vehicle', { minV: 11, maxV: 14 }), { minV: 10, maxV: 16 }))).not.toContain('True volts of Output');
    expect(listed(direct())).toContain('Most current');
    expect(listed(sleepy(5))).toContain('Switches itself off below');
  }); // prettier-ignore

  it('an adapter that only steps down says so once', () => {
    const codes = judge(behind(converter({ works: 'down' }), twoCells())).findings.map(({ code }) => code);
    expect(codes.filter((code) => code === 'under-voltage' || code === 'cannot-raise')).toEqual(['under-voltage']);
  });
});

describe('what is proposed where charge is left behind', () => {
  const proposed = (built: Built) => judge(built).findings.find(({ code }) => code === 'charge-stranded')!.remedy;
  const bayOf = (maxV: number): Built =>
    build({ pack: twoCells(), camera: camera({}, 10, { connector: { type: 'bay', family: 'M' }, minV: 7.4, maxV }) }, [['pack.out', 'camera.in']]);

  it('one more cell only where it would still be within the window when full', () => {
    // five full cells are 21 V
    expect(proposed(direct(pack(), camera({}, 10, { minV: 15.9, maxV: 21 * PERCENT })))).toContain('one more cell');
    expect(proposed(direct(pack(), camera({}, 10, { minV: 15.9, maxV: 21 / PERCENT })))).not.toContain('cell');
  });

  it('never in a bay, which takes one form alone', () => expect(proposed(bayOf(30))).not.toContain('cell'));
}); // prettier-ignore

describe('everyday rigs come out right', () => {
  it.each<[string, Built]>([
    ['5 V for a 5 V device, on a USB port', build({ bank: plainBank(2.4), cable: usbWire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-c' } } }), camera: usbCamera(8, { minV: 5, maxV: 5 }) }, [['bank.out', 'camera.usb', 'cable']])],
    ['5 V for a 5 V window', build({ bank: plainBank(2.4), cable: wire({ ends: { source: { type: 'usb-a' }, load: { type: 'usb-a' } }, maxA: 3 }), light: camera({ name: 'Light' }, 8, { connector: { type: 'usb-a' }, minV: 5, maxV: 5 }) }, [['bank.out', 'light.in', 'cable']])],
    ['27 W on a contract of 27 W', byUsb(bank({ ratingW: 27 }), usbCamera(27, { needW: 27 }), usbWire({ resistanceOhm: undefined }))],
    ['19.5 V for a device of 19 V', onSupply(supply('mains', { voltageV: 19.5, maxA: 4 }), { minV: 19, maxV: 19 }, 40)],
    ['12 V for a device of 12 V', onSupply(supply('mains'), { minV: 12, maxV: 12 })],
  ])('%s', (_what, built) => {
    const { verdict, findings } = judge(built);
    expect(findings.filter((one) => one.verdict === 'stop' || one.verdict === 'unknown').map(({ sentence }) => sentence)).toEqual([]);
    expect(['good', 'caution']).toContain(verdict);
  });
}); // prettier-ignore
