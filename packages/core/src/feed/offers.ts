import { assess } from '../answer';
import { isFault } from '../findings';
import type { Finding, Verdict } from '../findings';
import { connectorName, gearTitle, mates, meetsDirectly, portsOf } from '../gear';
import type { Cable, Gear, Input, Output } from '../gear';
import { isFlat, whyNotAtHand } from '../gear/kit';
import { gearIdsOf } from '../rig/drawn';
import type { Link, Rig } from '../rig/drawn';
import { said } from '../said';
import type { FeedSaid } from './says';

/** A port that could feed an input, with the cable it takes. */
export interface Offer {
  readonly link: Link;
  /** `D-tap 2 of Plate V`, `… by USB-C lead, 5 A`. */
  readonly title: string;
  /** Of the whole rig with this link in; undefined while the part itself is not fed yet. */
  readonly verdict: Verdict | undefined;
  readonly firstStopMin: number | undefined;
  /** The worst thing to say about it. */
  readonly worst: Finding | undefined;
  /** It is a battery that has to be charged first. */
  readonly flat: boolean;
}

export interface Offers {
  /** What fits, the best first. */
  readonly offers: readonly Offer[];
  /** What does not, and why. */
  readonly refused: readonly { readonly gearId: string; readonly title: string; readonly reason: FeedSaid }[];
}

const ORDER: readonly (Verdict | undefined)[] = ['good', 'caution', undefined, 'unknown', 'stop'];

/**
 * Everything of a kit that could be plugged into one input of a rig, part by part, and why the rest cannot: the chain
 * built by hand. A part that needs feeding itself is offered by its plug; a source is offered with what the rig then is.
 *
 * Cost: one assessment of the rig for each source that mates.
 *
 * @example offersFor(rig, kit, { gearId: cameraId, portId: 'bay' }).offers.length > 1 // true
 */
export function offersFor(rig: Rig, gear: ReadonlyMap<string, Gear>, to: Link['to'], exclude: ReadonlySet<string> = new Set()): Offers {
  const target = gear.get(to.gearId);
  const input = target && portsOf(target).inputs.find(({ id }) => id === to.portId);
  if (!target || !input) return { offers: [], refused: [] };
  const inUse = new Set(gearIdsOf(rig));
  const outputsInUse = new Set(rig.links.map(({ from }) => `${from.gearId}/${from.portId}`));
  const downstream = partsBehind(rig, to.gearId);
  const cables = [...gear].filter(
    (entry): entry is [string, Cable] =>
      entry[1].kind === 'cable' && !inUse.has(entry[0]) && isUsable(entry[0], entry[1], exclude) && whyNotAtHand(entry[1]) === undefined,
  );
  const offers: Offer[] = [];
  const refused: { gearId: string; title: string; reason: FeedSaid }[] = [];
  for (const [gearId, body] of gear) {
    if (!isUsable(gearId, body, exclude)) continue;
    const { outputs, inputs } = portsOf(body);
    if (outputs.length === 0) continue;
    const title = gearTitle(body);
    const isSource = inputs.length === 0;
    const free = outputs.filter(({ id }) => !outputsInUse.has(`${gearId}/${id}`));
    const joined = free.flatMap((output) => join(output, input, cables).map((cable) => ({ output, cable })));
    const reason =
      whyNot(rig, gearId, body, { inUse, downstream, isAllTaken: free.length === 0 }) ??
      (joined.length === 0 ? reasonFor(free, input, cables) : undefined);
    if (reason) {
      refused.push({ gearId, title, reason });
      continue;
    }
    for (const { output, cable } of joined) {
      const link: Link = { from: { gearId, portId: output.id }, to, ...(cable && { cableId: cable[0] }) };
      offers.push({
        link,
        // an adapter has but one output
        title: `${body.kind === 'adapter' ? title : `${output.name} of ${title}`}${cable ? ` by ${gearTitle(cable[1])}` : ''}`,
        ...judged(rig, gear, link, isSource || inUse.has(gearId)),
        flat: isFlat(body),
      });
    }
  }
  offers.sort(
    (a, b) =>
      Number(a.flat) - Number(b.flat) ||
      ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict) ||
      (b.firstStopMin ?? 0) - (a.firstStopMin ?? 0),
  );
  return { offers, refused };
}

/** Why a part cannot feed anything more of the rig, whatever its plugs are; undefined where it can. */
function whyNot(
  rig: Rig,
  gearId: string,
  body: Gear,
  { inUse, downstream, isAllTaken }: { inUse: ReadonlySet<string>; downstream: ReadonlySet<string>; isAllTaken: boolean },
): FeedSaid | undefined {
  const away = whyNotAtHand(body);
  if (away !== undefined && !inUse.has(gearId)) return said('away', { away });
  if (downstream.has(gearId)) return said('in-a-circle');
  if (isAllTaken) return said('outputs-in-use');
  const isJoined = rig.links.some(({ from, to }) => from.gearId === gearId || to.gearId === gearId);
  return inUse.has(gearId) && !isJoined ? said('already-spare') : undefined;
}

/** Ways to join two ports: straight (`undefined`), or by one of the cables; none where neither mates. */
function join(output: Output, input: Input, cables: readonly [string, Cable][]): readonly ([string, Cable] | undefined)[] {
  if (mates(output.connector, input.connector) !== 'no' && meetsDirectly(output, input)) return [undefined];
  const seen = new Set<string>();
  return cables.filter(([, cable]) => {
    const alike = JSON.stringify({ ...cable, tag: undefined, where: undefined });
    if (seen.has(alike)) return false;
    const fits = mates(output.connector, cable.ends.source) !== 'no' && mates(cable.ends.load, input.connector) !== 'no';
    if (fits) seen.add(alike);
    return fits;
  });
}

function reasonFor(outputs: readonly Output[], input: Input, cables: readonly [string, Cable][]): FeedSaid {
  const there = connectorName(input.connector);
  const same = outputs.find(({ connector }) => mates(connector, input.connector) !== 'no');
  if (same) return said('both-sockets', { there });
  const from = [...new Set(outputs.map(({ connector }) => connectorName(connector)))].join(', ');
  const halfway = cables.find(([, { ends }]) => outputs.some(({ connector }) => mates(connector, ends.source) !== 'no'));
  return said('does-not-fit', { from, there, halfway: halfway !== undefined });
}

/** The rig with the link in; a part that is not fed itself is only looked at by its plug. */
function judged(rig: Rig, gear: ReadonlyMap<string, Gear>, link: Link, isFed: boolean): Pick<Offer, 'verdict' | 'firstStopMin' | 'worst'> {
  const links = [...rig.links.filter(({ to }) => to.gearId !== link.to.gearId || to.portId !== link.to.portId), link];
  const answer = assess({ ...rig, links }, gear, { tracePoints: 0 });
  if (isFed) {
    const worst = answer.findings[0];
    return {
      verdict: answer.verdict,
      firstStopMin: answer.firstStopMin,
      worst: worst && isFault(worst.verdict) ? worst : undefined,
    };
  }
  const id = `${link.to.gearId}/${link.to.portId}`;
  const here = answer.findings.find(
    ({ connectionId, aspect, verdict }) => connectionId === id && aspect === 'connector' && verdict !== 'good',
  );
  return {
    verdict: here && (here.verdict === 'stop' ? 'stop' : undefined),
    firstStopMin: undefined,
    worst: here,
  };
}

function isUsable(id: string, body: Gear, exclude: ReadonlySet<string>): boolean {
  return !exclude.has(id) && body.archived !== true;
}

/** A part and all that hangs on it. */
function partsBehind(rig: Rig, gearId: string): ReadonlySet<string> {
  const behind = new Set([gearId]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { from, to } of rig.links) {
      if (behind.has(from.gearId) && !behind.has(to.gearId)) {
        behind.add(to.gearId);
        grown = true;
      }
    }
  }
  return behind;
}
