import { mates, meetsDirectly, portsOf } from '../gear';
import type { Cable, Connector, Gear, Input, Output, Ports } from '../gear';
import { isFlat, whyNotAtHand } from '../gear/kit';
import type { Link, Rig } from '../rig/drawn';

/** A way of links from a source, or from a part that is already fed, to one input of a device; outer first. */
export type ChainOfLinks = readonly Link[];

/** A piece of the kit as the search sees it. */
interface Piece extends Ports {
  readonly id: string;
  readonly gear: Gear;
  /** Pieces of one class are alike in everything but their tag: one stands for all. */
  readonly likeness: string;
  /** The same for what it does to volts and amps. Devices are themselves: what they refuse goes by their name. */
  readonly electrically: string;
  /** The same for its outputs, by their identifier. */
  readonly portLikeness: ReadonlyMap<string, string>;
}

/** What a partly fed rig has taken already. */
export interface Taken {
  /** Parts that power reaches: their free outputs may feed more. */
  readonly fed: ReadonlySet<string>;
  /** Parts, cables among them, that are in use or must not be used. */
  readonly parts: ReadonlySet<string>;
  /** `part/port` of outputs in use. */
  readonly outputs: ReadonlySet<string>;
}

export const NOTHING_TAKEN: Taken = { fed: new Set(), parts: new Set(), outputs: new Set() };

/** Parts between source and device: plate, splitter, adapter. */
const MOST_BETWEEN = 3;
/** A kit of more pieces than this is thinned before it is searched. */
export const LARGE_KIT = 100;
/** More ways than this to one device are not told apart by anybody. */
export const MOST_CHAINS = 5000;

/** The kit, ready to be searched: outputs by connector, cables by their far end. */
export class KitIndex {
  readonly pieces: ReadonlyMap<string, Piece>;
  private readonly outputs = new Map<Connector['type'], { readonly piece: Piece; readonly output: Output }[]>();
  /** Short names for what is alike: keys are compared thousands of times. */
  private readonly names = new Map<string, string>();
  private readonly cables = new Map<Connector['type'], (Piece & { readonly gear: Cable })[]>();

  /** `states`: charge and temperature that a rig gives single batteries; two that differ in them are not alike. */
  constructor(gear: ReadonlyMap<string, Gear>, exclude: ReadonlySet<string> = new Set(), states: Rig['batteries'] = []) {
    const pieces = [...gear]
      .filter(([id, body]) => !exclude.has(id) && whyNotAtHand(body) === undefined)
      .map(([id, body]): Piece => {
        const ports = portsOf(body);
        const portLikeness = new Map(
          ports.outputs.map((output) => [output.id, this.nameOf({ ...output, id: undefined, name: undefined, position: undefined })]),
        );
        const state = states.find(({ gearId }) => gearId === id);
        const electrical = {
          ...body,
          state: state && { ...state, gearId: undefined },
          tag: undefined,
          name: undefined,
          note: undefined,
          massG: undefined,
          price: undefined,
          where: undefined,
          charge: undefined,
          labelWh: undefined,
        };
        return {
          id,
          gear: body,
          likeness: this.nameOf({
            ...electrical,
            name: body.name,
            note: body.note,
            massG: body.massG,
            price: body.price,
            isFlat: isFlat(body),
          }),
          electrically: body.kind === 'device' ? id : this.nameOf(electrical),
          portLikeness,
          ...ports,
        };
      });
    this.pieces = new Map(pieces.map((piece) => [piece.id, piece]));
    for (const piece of pieces) {
      if (piece.gear.kind === 'cable') push(this.cables, piece.gear.ends.load.type, piece as Piece & { readonly gear: Cable });
      for (const output of piece.outputs) push(this.outputs, output.connector.type, { piece, output });
    }
  }

  /**
   * Every way to feed one input by connectors alone: through plates, splitters, adapters and cables, each physical part
   * once, the shortest first. Of parts that are alike the first free one stands for all. Volts and amps are not looked
   * at. Left out is what can only be worse: a cable where plugs meet without one, and a part that hands on the same
   * voltage at the same connector, unless its further ports are wanted (`forSeveral`).
   */
  chainsTo(
    deviceId: string,
    taken: Taken,
    { forSeveral = false, mostBetween = MOST_BETWEEN } = {},
  ): { readonly chains: readonly ChainOfLinks[]; readonly bounded: boolean } {
    const device = this.pieces.get(deviceId);
    const chains: Link[][] = [];
    if (!device) return { chains, bounded: false };
    const used = new Set([...taken.parts, deviceId]);
    const follow = (to: Piece, input: Input, tail: readonly Link[], between: number): void => {
      for (const { piece, output, cable } of this.suppliers(input, used, taken)) {
        if (chains.length >= MOST_CHAINS) return;
        const link: Link = {
          from: { gearId: piece.id, portId: output.id },
          to: { gearId: to.id, portId: input.id },
          ...(cable && { cableId: cable.id }),
        };
        const links = [link, ...tail];
        if (taken.fed.has(piece.id) || isSource(piece.gear)) {
          chains.push(links);
          continue;
        }
        if (between >= mostBetween || (to.gear.kind === 'hub' && piece.gear.kind === 'hub' && between >= 2)) continue;
        used.add(piece.id);
        if (cable) used.add(cable.id);
        for (const inner of piece.inputs) if (forSeveral || gains(piece, inner, output)) follow(piece, inner, links, between + 1);
        used.delete(piece.id);
        if (cable) used.delete(cable.id);
      }
    };
    for (const input of device.inputs) follow(device, input, [], 0);
    const bounded = chains.length >= MOST_CHAINS;
    const size = (links: readonly Link[]): number => links.reduce((sum, { cableId }) => sum + (cableId === undefined ? 1 : 2), 0);
    chains.sort((a, b) => size(a) - size(b));
    return { chains, bounded };
  }

  /** What can be plugged in at an input, straight or by a cable; one of each likeness. */
  private *suppliers(input: Input, used: ReadonlySet<string>, taken: Taken): Iterable<{ piece: Piece; output: Output; cable?: Piece }> {
    const seen = new Set<string>();
    const offer = (piece: Piece, output: Output, cable: Piece | undefined): boolean => {
      const fed = taken.fed.has(piece.id);
      if ((used.has(piece.id) && !fed) || taken.outputs.has(`${piece.id}/${output.id}`)) return false;
      // a part in use is its own; its ports that are alike stand for one another
      const key = `${fed ? piece.id : piece.likeness} ${piece.portLikeness.get(output.id)} ${cable?.likeness ?? ''}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    };
    for (const { piece, output } of this.outputs.get(input.connector.type) ?? []) {
      if (mates(output.connector, input.connector) === 'yes' && meetsDirectly(output, input) && offer(piece, output, undefined))
        yield { piece, output };
    }

    const tried = new Set<string>();
    for (const cable of this.cables.get(input.connector.type) ?? []) {
      if (used.has(cable.id) || tried.has(cable.likeness) || mates(cable.gear.ends.load, input.connector) !== 'yes') continue;
      tried.add(cable.likeness);
      for (const { piece, output } of this.outputs.get(cable.gear.ends.source.type) ?? []) {
        const direct = mates(output.connector, input.connector) === 'yes' && meetsDirectly(output, input);
        if (!direct && mates(output.connector, cable.gear.ends.source) === 'yes' && offer(piece, output, cable))
          yield { piece, output, cable };
      }
    }
  }

  /**
   * Of chains that are electrically the same those that no other undercuts in both mass and price: what is left of a
   * large kit, where a dozen batteries differ by a few grams.
   */
  thin(chains: readonly ChainOfLinks[]): readonly ChainOfLinks[] {
    const kept = new Map<string, { readonly chain: ChainOfLinks; readonly massG: number; readonly price: number }[]>();
    for (const chain of chains) {
      const key = chain.map((link) => this.electricallyOf(link)).join(' > ');
      const ids = new Set(chain.flatMap(({ from, to, cableId }) => [from.gearId, to.gearId, ...(cableId === undefined ? [] : [cableId])]));
      const sum = (of: (gear: Gear) => number): number => [...ids].reduce((total, id) => total + of(this.pieces.get(id)!.gear), 0);
      const one = { chain, massG: sum(({ massG = 0 }) => massG), price: sum(({ price = 0 }) => price) };
      const others = kept.get(key) ?? [];
      if (others.some(({ massG, price }) => massG <= one.massG && price <= one.price)) continue;
      kept.set(key, [...others.filter(({ massG, price }) => massG < one.massG || price < one.price), one]);
    }
    return [...kept.values()].flatMap((ones) => ones.map(({ chain }) => chain));
  }

  /** What a link is to volts and amps, whatever its parts weigh, cost and are called. */
  electricallyOf({ from, to, cableId }: Link): string {
    const of = (id: string): string => this.pieces.get(id)?.electrically ?? id;
    const output = this.pieces.get(from.gearId)?.portLikeness.get(from.portId) ?? from.portId;
    return `${of(from.gearId)} ${output} ${cableId === undefined ? '' : of(cableId)} ${of(to.gearId)} ${to.portId}`;
  }

  private nameOf(alike: object): string {
    const long = JSON.stringify(alike);
    const short = this.names.get(long) ?? `#${this.names.size}`;
    this.names.set(long, short);
    return short;
  }
}

/** What is taken once a chain is added. */
export function take(taken: Taken, chain: ChainOfLinks): Taken {
  const fed = new Set(taken.fed);
  const parts = new Set(taken.parts);
  const outputs = new Set(taken.outputs);
  for (const { from, to, cableId } of chain) {
    for (const id of [from.gearId, to.gearId]) {
      fed.add(id);
      parts.add(id);
    }
    if (cableId !== undefined) parts.add(cableId);
    outputs.add(`${from.gearId}/${from.portId}`);
  }
  return { fed, parts, outputs };
}

/** Whether going through a part changes anything for what comes after: voltage, connector, or a swap that it bridges. */
function gains({ gear }: Piece, input: Input, output: Output): boolean {
  return (
    output.gives !== 'pack' ||
    input.connector.type !== output.connector.type ||
    gear.kind !== 'hub' ||
    gear.bufferS !== undefined ||
    gear.form === 'grip'
  );
}

function isSource({ kind }: Gear): boolean {
  return kind === 'battery' || kind === 'supply';
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const list = map.get(key);
  if (list) list.push(value);
  else map.set(key, [value]);
}
