import type { Rig } from '../rig/drawn';
import { GEAR as first } from './demo-id';
import { moreId } from './more-gear';
import type { MoreGear } from './more-gear';

type End = readonly [gearId: string, portId: string];

function link(from: End, to: End, cable?: MoreGear): Rig['links'][number] {
  return {
    from: { gearId: from[0], portId: from[1] },
    to: { gearId: to[0], portId: to[1] },
    ...(cable !== undefined && { cableId: moreId(cable) }),
  };
}

/** The crew's rigs of several devices. */
export function moreRigs(): readonly Rig[] {
  return [wheelhouseOnOne(), galleyOnMains(), breakwater(), stillsWithGrip(), cinemaCameraDay(), onBlueBoard(), onDrawerLead()];
}

function wheelhouseOnOne(): Rig {
  const id = moreId;
  return {
    name: 'Wheelhouse, everything on one V-mount',
    note: 'Camera, monitor-recorder, wireless video and follow focus on one battery behind the operator. Every part hangs on one plate.',
    style: 'shoulder',
    devices: [{ gearId: first.wheelhouseCamera }, { gearId: id('monitor') }, { gearId: id('wireless') }, { gearId: id('focus') }],
    links: [
      link([id('v3'), 'mount'], [id('plate'), 'mount']),
      link([id('plate'), 'd1'], [id('adapterM8'), 'in']),
      link([id('adapterM8'), 'out'], [first.wheelhouseCamera, 'bay']),
      link([id('plate'), 'd2'], [id('splitter'), 'in'], 'dTap1'),
      link([id('splitter'), 'p1'], [id('monitor'), 'dc']),
      link([id('splitter'), 'p2'], [id('wireless'), 'dc']),
      link([id('splitter'), 'p3'], [id('focus'), 'dc']),
    ],
    batteries: [{ gearId: id('v3'), spareIds: [id('v6')] }],
    wantedMin: 360,
    temperatureC: 2,
    swapMin: 2,
    balance: {
      support: 'shoulder',
      places: [
        { gearId: first.wheelhouseCamera, alongMm: 95, heightMm: 60 },
        { gearId: id('monitor'), alongMm: 130, heightMm: 150 },
        { gearId: id('focus'), alongMm: 190, heightMm: 40 },
        { gearId: id('wireless'), alongMm: -40, heightMm: 130 },
        { gearId: id('adapterM8'), alongMm: 60, heightMm: 50 },
        { gearId: id('splitter'), alongMm: -110, heightMm: 70 },
        { gearId: id('plate'), alongMm: -180, heightMm: 60 },
        { gearId: id('v3'), alongMm: -215, heightMm: 60 },
      ],
    },
  };
}

function galleyOnMains(): Rig {
  const id = moreId;
  return {
    name: 'Galley, two cameras on mains',
    note: 'Locked off. The box takes the quay’s mains, a V-mount stands behind it; the recorder runs from a bank.',
    style: 'locked-off',
    devices: [{ gearId: first.wheelhouseCamera }, { gearId: id('secondCamera') }, { gearId: id('recorder') }],
    links: [
      link([id('mains15'), 'dc'], [id('dcBox'), 'dc']),
      link([id('v2'), 'mount'], [id('dcBox'), 'mount']),
      link([id('dcBox'), 'd1'], [id('adapterM8'), 'in']),
      link([id('adapterM8'), 'out'], [first.wheelhouseCamera, 'bay']),
      link([id('bank100'), 'c1'], [id('secondCamera'), 'usb-c'], 'usbC5A'),
      link([id('k1'), 'contacts'], [id('secondCamera'), 'bay']),
      link([id('bank100'), 'a'], [id('recorder'), 'usb-c'], 'aToC'),
    ],
    wantedMin: 240,
    temperatureC: 18,
  };
}

function breakwater(): Rig {
  const id = moreId;
  return {
    name: 'Breakwater',
    note: 'Five days of time-lapse on the breakwater, a frame a minute, on one lead-acid battery with a regulator.',
    style: 'unattended',
    devices: [{ gearId: id('timelapse') }],
    links: [
      link([id('lead'), 'terminals'], [id('regulatorS'), 'in'], 'leadLead'),
      link([id('regulatorS'), 'out'], [id('timelapse'), 'bay']),
    ],
    wantedMin: 5 * 24 * 60,
    temperatureC: -6,
    unattended: { from: '2026-01-12', days: 14, panelW: 20, latitudeDeg: 57, dullDays: 3, visitEveryDays: 4, cardFrames: 12_000 },
  };
}

function stillsWithGrip(): Rig {
  const id = moreId;
  return {
    name: 'Stills with the grip',
    note: 'Two batteries in the grip, used one after the other.',
    style: 'handheld',
    devices: [{ gearId: id('stillsB') }],
    links: [
      link([id('k2'), 'contacts'], [id('grip'), 'left']),
      link([id('k4'), 'contacts'], [id('grip'), 'right']),
      link([id('grip'), 'contacts'], [id('stillsB'), 'bay']),
    ],
    wantedMin: 480,
    temperatureC: 0,
  };
}

function cinemaCameraDay(): Rig {
  const id = moreId;
  return {
    name: 'Cinema camera day',
    note: 'The rented camera on the step-up plate. V5 has been on the shelf, a little over half charged.',
    style: 'tripod',
    devices: [{ gearId: id('cinema') }],
    links: [link([id('v5'), 'mount'], [id('stepUp'), 'mount']), link([id('stepUp'), 'dc'], [id('cinema'), 'dc'], 'twoPin')],
    startCharge: 0.55,
    wantedMin: 120,
    temperatureC: 4,
    balance: {
      support: 'tripod',
      footFrontMm: 420,
      footBackMm: 230,
      plateHeightMm: 1350,
      counterweightMm: 300,
      places: [
        { gearId: id('cinema'), alongMm: 70, heightMm: 80 },
        { gearId: id('stepUp'), alongMm: -150, heightMm: 80 },
        { gearId: id('v5'), alongMm: -200, heightMm: 80 },
      ],
    },
  };
}

function onBlueBoard(): Rig {
  const id = moreId;
  return {
    name: 'Skuadon on the blue board',
    note: 'Tried on the bench. Not for the boat before its volts are right.',
    style: 'tripod',
    devices: [{ gearId: first.wheelhouseCamera }],
    links: [
      link([id('v2'), 'd-tap'], [id('blueBoard'), 'in'], 'dTapBarrel'),
      link([id('blueBoard'), 'out'], [first.wheelhouseCamera, 'bay']),
    ],
    wantedMin: 120,
  };
}

function onDrawerLead(): Rig {
  const id = moreId;
  return {
    name: 'Monitor on the drawer lead',
    note: 'The lead that somebody mended: measured before anything hangs on it.',
    style: 'tripod',
    devices: [{ gearId: id('monitor') }],
    links: [link([id('v2'), 'd-tap'], [id('monitor'), 'dc'], 'drawerLead')],
    wantedMin: 60,
  };
}
