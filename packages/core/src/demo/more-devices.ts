import type { Device } from '../gear';
import { barrel, bay, DTAP, USB_C } from './connectors';

/** More of what the crew films, sees and hears with. */
export const DEVICES = {
  monitor: {
    kind: 'device',
    name: 'Lysning 7 monitor-recorder',
    massG: 610,
    where: 'case 1',
    dimmable: true,
    draw: { basis: 'meter', voltageV: 14.6, currentA: 1.02, at: 'device' },
    peakW: 24,
    peakMs: 400,
    modes: [{ id: 'dim', name: 'dimmed to a third', draw: { basis: 'maker', powerW: 9 } }],
    inputs: [
      { takes: 'window', id: 'dc', name: 'D-tap lead', connector: DTAP, minV: 7, maxV: 17 },
      { takes: 'window', id: 'plate', name: 'Battery plate', connector: bay('L'), minV: 6.4, maxV: 8.6 },
    ],
    outputs: [
      { gives: 'fixed', id: 'aux', name: 'Power out', connector: barrel('centre-positive'), voltageV: 8, maxA: 2, efficiency: 0.93 },
    ],
    from: { minV: 'printed', maxV: 'printed' },
  },
  wireless: {
    kind: 'device',
    name: 'Tern Link transmitter',
    massG: 240,
    draw: { basis: 'maker', powerW: 7.5 },
    inputs: [
      { takes: 'window', id: 'dc', name: 'D-tap lead', connector: DTAP, minV: 7, maxV: 17 },
      { takes: 'window', id: 'bay', name: 'Battery plate', connector: bay('L'), minV: 6.4, maxV: 8.6 },
    ],
  },
  focus: {
    kind: 'device',
    name: 'Skjaer follow focus',
    massG: 310,
    draw: { basis: 'maker', powerW: 4 },
    peakW: 20,
    peakMs: 120,
    inputs: [{ takes: 'window', id: 'dc', name: 'D-tap lead', connector: DTAP, minV: 7, maxV: 17 }],
  },
  recorder: {
    kind: 'device',
    name: 'Murre 6 audio recorder',
    massG: 420,
    draw: { basis: 'meter', voltageV: 9.1, currentA: 0.52, at: 'device' },
    features: [{ name: 'phantom power', needs: { minV: 9 }, silently: true }],
    inputs: [
      { takes: 'window', id: 'dc', name: 'Barrel input', connector: barrel('centre-positive'), minV: 6, maxV: 16 },
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 5, maxV: 9, needW: 5, sink: 'runs' },
    ],
  },
  secondCamera: {
    kind: 'device',
    name: 'Skuadon 60 B',
    draw: { basis: 'maker', powerW: 17 },
    modes: [
      {
        id: 'top',
        name: '4K at 100 frames',
        draw: { basis: 'maker', powerW: 22 },
        needs: { contractW: 36, recognised: true },
        limits: { takeMin: 29, hotMin: 25, hotFromC: 22, coolMin: 12 },
      },
    ],
    inputs: [
      { takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 9, maxV: 15, needW: 27, sink: 'mixes', chargeW: 8 },
      { takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.3, maxV: 8.6 },
    ],
  },
  cinema: {
    kind: 'device',
    name: 'Havgall cinema camera',
    massG: 2900,
    borrowed: {
      how: 'rented',
      from: 'Havnlys Rental',
      until: '2026-01-18',
      out: { on: '2026-01-10', state: 'Scratch on the left side plate, all caps there', by: 'Tobb' },
    },
    draw: { basis: 'maker', powerW: 68 },
    peakW: 92,
    peakMs: 600,
    inputs: [
      {
        takes: 'window',
        id: 'dc',
        name: 'Two-pin input',
        connector: { type: 'circular2', polarity: 'pin-1-negative' },
        minV: 20.5,
        maxV: 33.6,
      },
    ],
  },
  timelapse: {
    kind: 'device',
    name: 'Ternlet T',
    massG: 380,
    draw: { basis: 'frames', awakeW: 5.2, awakeS: 6, sleepW: 0.12, everyS: 60 },
    inputs: [{ takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('S'), minV: 6.1, maxV: 8.5 }],
  },
  stillsB: {
    kind: 'device',
    name: 'Plovera R, second body',
    massG: 640,
    draw: { basis: 'shots', shotJ: 9, standbyW: 1.1, shotsPerHour: 240 },
    modes: [
      {
        id: 'burst',
        name: 'top frame rate',
        draw: { basis: 'shots', shotJ: 11, standbyW: 1.6, shotsPerHour: 900 },
        needs: { recognised: true },
      },
    ],
    inputs: [{ takes: 'window', id: 'bay', name: 'Battery bay', connector: bay('M'), minV: 6.3, maxV: 8.6 }],
  },
  gimbal: {
    kind: 'device',
    name: 'Fjaera stabiliser',
    massG: 1150,
    draw: { basis: 'maker', powerW: 6 },
    builtIn: { energyWh: 22, cellsInSeries: 2 },
    inputs: [{ takes: 'pd', id: 'usb-c', name: 'USB-C', connector: USB_C, minV: 5, maxV: 9, sink: 'mixes', chargeW: 7 }],
  },
} satisfies Record<string, Device>;
