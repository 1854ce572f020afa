import { plainDraw } from '@viaggio/core/answer';
import { batteryHealth, connectorName, energyNow, mayFly, portsOf } from '@viaggio/core/gear';
import type { Gear, GearKind, GearOf } from '@viaggio/core/gear';
import { formatDate, formatQuantity } from '@viaggio/core/units';

/** What a cell shows: words, where they are from, and a share as a bar. */
export interface Cell {
  readonly text: string;
  readonly from?: string | undefined;
  /** As a bar beside the words; its colour says whether it is low. */
  readonly share?: number | undefined;
  /** Its bar is as long as the figure is large, not a part of a whole. */
  readonly toScale?: boolean;
  readonly low?: boolean;
  /** For whoever asks how it comes about. */
  readonly title?: string | undefined;
}

/** What a line is shown beside: what the log knows, by identifiers of gear, and what its bars are drawn to. */
export interface KitFacts {
  readonly lastTest: ReadonlyMap<string, string>;
  /** The largest figure of each kind of the whole kit: bars of one kind are to one scale, whatever is searched for. */
  readonly most: ReadonlyMap<GearKind, number>;
}

/** A column of a kind. A field typed in its place is named by `typed`. */
export interface Column {
  readonly key: string;
  readonly title: string;
  readonly cell: (gear: Gear, id: string, facts: KitFacts) => Cell;
  /** What it is sorted by; undefined comes last. */
  readonly value: (gear: Gear, id: string, facts: KitFacts) => string | number | undefined;
  readonly typed?: 'tag' | 'where' | 'charge';
  /** Left out first where there is little room. */
  readonly spare?: boolean;
}

const say = formatQuantity;
const NOTHING: Cell = { text: '' };
/** Below this share of the label, or this charge, the bar says that it is low. */
const LOW_HEALTH = 0.7;
const LOW_CHARGE = 0.3;
const FLIGHTS = { free: 'flies', approval: 'flies on approval', no: 'may not fly', unknown: 'not known' } as const;
const GAUGES: Readonly<Record<GearOf<'adapter'>['gauge'], string>> = { true: 'the truth', 'always-full': 'always full', none: 'nothing' };

/** A column of one kind: its cells are of that kind alone. */
function column<K extends GearKind>(
  kind: K,
  title: string,
  cell: (gear: GearOf<K>, id: string, facts: KitFacts) => Cell,
  value: (gear: GearOf<K>, id: string, facts: KitFacts) => string | number | undefined,
  more: Partial<Column> = {},
): Column {
  const isOf = (gear: Gear): gear is GearOf<K> => gear.kind === kind;
  return {
    key: title.toLowerCase(),
    title,
    cell: (gear, id, facts) => (isOf(gear) ? cell(gear, id, facts) : NOTHING),
    value: (gear, id, facts) => (isOf(gear) ? value(gear, id, facts) : undefined),
    ...more,
  };
}

const plain = (title: string, read: (gear: Gear) => string | undefined, more: Partial<Column> = {}): Column => ({
  key: title.toLowerCase(),
  title,
  cell: (gear) => ({ text: read(gear) ?? '' }),
  value: read,
  ...more,
});

export const TAG = plain('Tag', ({ tag }) => tag, { typed: 'tag' });
export const NAME = plain('Name', ({ name }) => name);
const WHERE = plain('Where', ({ where }) => where, { typed: 'where' });

/** Times the same thing: `2 × D-tap, USB-C`. */
function counted(names: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, count]) => (count === 1 ? name : `${count} × ${name}`)).join(', ');
}

function window({ minV, maxV }: { readonly minV?: number | undefined; readonly maxV?: number | undefined }): string {
  if (minV === undefined && maxV === undefined) return '';
  return ` ${minV === undefined ? '?' : say(minV, 'V').replace(' V', '')} to ${maxV === undefined ? '?' : say(maxV, 'V')}`;
}

function plugs(ports: readonly { readonly connector: Parameters<typeof connectorName>[0] }[]): string {
  return counted(ports.map(({ connector }) => connectorName(connector)));
}

function wireOf({ awg, areaMm2 }: GearOf<'cable'>): string {
  return awg !== undefined ? `AWG ${awg}` : areaMm2 === undefined ? '' : say(areaMm2, 'mm2');
}

/** What it usually draws. */
export function drawOf({ draw, from }: GearOf<'device'>): number | undefined {
  return draw && plainDraw(draw, from?.draw).powerW;
}

/** The modes of a device in watts: the usual one first, then the others by name. */
function modesOf(device: GearOf<'device'>): string {
  return (device.modes ?? []).map(({ name, draw }) => `${name} ${say(plainDraw(draw, device.from?.draw).powerW, 'W')}`).join(', ');
}

const BATTERY: readonly Column[] = [
  column(
    'battery',
    'Energy',
    () => NOTHING,
    (gear) => energyNow(gear),
  ),
  column(
    'battery',
    'Health',
    (gear) => {
      const health = batteryHealth(gear);
      if (!health) return NOTHING;
      return {
        text: say(health.share, 'fraction'),
        from: health.from,
        share: health.share,
        low: health.share < LOW_HEALTH,
        title: health.formula,
      };
    },
    (gear) => batteryHealth(gear)?.share,
  ),
  column(
    'battery',
    'Charge',
    ({ charge }) =>
      charge === undefined
        ? NOTHING
        : { text: charge === 0 ? 'flat' : charge === 1 ? 'full' : say(charge, 'fraction'), share: charge, low: charge < LOW_CHARGE },
    ({ charge }) => charge,
    { typed: 'charge' },
  ),
  column(
    'battery',
    'Flight',
    (gear) => ({ text: FLIGHTS[mayFly(gear)], low: mayFly(gear) === 'no' }),
    (gear) => ['free', 'approval', 'unknown', 'no'].indexOf(mayFly(gear)),
    { spare: true },
  ),
  column(
    'battery',
    'Last test',
    (_gear, id, { lastTest }) => ({ text: lastTest.has(id) ? formatDate(lastTest.get(id)!.slice(0, 10), { weekday: false }) : '' }),
    (_gear, id, { lastTest }) => lastTest.get(id),
    { spare: true },
  ),
];

const DEVICE: readonly Column[] = [
  column(
    'device',
    'Draw',
    () => NOTHING,
    (gear) => drawOf(gear),
  ),
  column(
    'device',
    'Other modes',
    (gear) => ({ text: modesOf(gear) }),
    ({ modes }) => modes?.length,
    { spare: true },
  ),
  column(
    'device',
    'Accepts',
    ({ inputs }) => ({ text: inputs.map((input) => `${connectorName(input.connector)}${window(input)}`).join(', ') }),
    ({ inputs }) => inputs[0]?.maxV,
  ),
];

const ADAPTER: readonly Column[] = [
  column(
    'adapter',
    'In',
    ({ input }) => ({ text: `${connectorName(input.connector)}${window(input)}` }),
    ({ input }) => connectorName(input.connector),
  ),
  column(
    'adapter',
    'Out',
    ({ output }) => ({
      text: `${output.voltageV === undefined ? 'what comes in' : say(output.voltageV, 'V')}, ${connectorName(output.connector)}`,
    }),
    ({ output }) => output.voltageV,
  ),
  column(
    'adapter',
    'Rated',
    ({ ratedW }) => ({ text: ratedW === undefined ? 'unknown' : say(ratedW, 'W') }),
    ({ ratedW }) => ratedW,
  ),
  column(
    'adapter',
    'Gauge shows',
    ({ gauge }) => ({ text: GAUGES[gauge], low: gauge === 'always-full' }),
    ({ gauge }) => gauge,
    { spare: true },
  ),
];

const CABLE: readonly Column[] = [
  column(
    'cable',
    'Ends',
    ({ ends }) => ({ text: `${connectorName(ends.source)} → ${connectorName(ends.load)}` }),
    ({ ends }) => connectorName(ends.source),
  ),
  column(
    'cable',
    'Wire',
    (gear) => ({ text: wireOf(gear) }),
    ({ areaMm2, awg }) => areaMm2 ?? (awg === undefined ? undefined : -awg),
  ),
  column(
    'cable',
    'Length',
    ({ lengthM }) => ({ text: lengthM === undefined ? '' : say(lengthM, 'm') }),
    ({ lengthM }) => lengthM,
  ),
  column(
    'cable',
    'Carries',
    ({ maxA, marked5A, fuseA }) => ({
      text: [
        ...(maxA !== undefined ? [say(maxA, 'A')] : marked5A ? ['5 A, marked'] : []),
        ...(fuseA === undefined ? [] : [`fuse ${say(fuseA, 'A')}`]),
      ].join(', '),
    }),
    ({ maxA }) => maxA,
  ),
];

const HUB: readonly Column[] = [
  column(
    'hub',
    'In',
    ({ inputs }) => ({ text: plugs(inputs) }),
    ({ inputs }) => plugs(inputs),
  ),
  column(
    'hub',
    'Out',
    ({ outputs }) => ({ text: plugs(outputs) }),
    ({ outputs }) => outputs.length,
  ),
  column(
    'hub',
    'Bridges a swap',
    ({ bufferS }) => ({ text: bufferS === undefined ? '' : say(bufferS, 's') }),
    ({ bufferS }) => bufferS,
    { spare: true },
  ),
];

const SUPPLY: readonly Column[] = [
  column(
    'supply',
    'Out',
    (gear) => ({ text: plugs(portsOf(gear).outputs) }),
    ({ outputs }) => outputs.length,
  ),
];

const CHARGER: readonly Column[] = [
  column(
    'charger',
    'Slots',
    ({ slots, order }) => ({ text: `${slots}${slots > 1 && order === 'one-by-one' ? ', in turn' : ''}` }),
    ({ slots }) => slots,
  ),
  column(
    'charger',
    'A slot',
    ({ powerW }) => ({ text: powerW === undefined ? 'unknown' : say(powerW, 'W') }),
    ({ powerW }) => powerW,
  ),
  column(
    'charger',
    'In all',
    ({ totalW }) => ({ text: totalW === undefined ? '' : say(totalW, 'W') }),
    ({ totalW }) => totalW,
    { spare: true },
  ),
  column(
    'charger',
    'Fits',
    ({ connector }) => ({ text: connectorName(connector) }),
    ({ connector }) => connectorName(connector),
  ),
];

const OWN: Readonly<Record<GearKind, readonly Column[]>> = {
  battery: BATTERY,
  device: DEVICE,
  adapter: ADAPTER,
  cable: CABLE,
  hub: HUB,
  supply: SUPPLY,
  charger: CHARGER,
};

/** The columns of a kind, in their order. */
export function columnsOf(kind: GearKind): readonly Column[] {
  return [TAG, NAME, ...OWN[kind], WHERE];
}
