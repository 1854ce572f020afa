import { AWAY_FROM_CAMERA, gearTitle } from '../gear';
import type { Gear } from '../gear';
import type { Rig } from '../rig/drawn';
import { SAFE_MARGIN } from '../tables';
import { ballastG, centreOfMass, counterweightG, momentNm, tipping } from './mechanics';
import type { CentreOfMass, PlacedMass, Tipping } from './mechanics';

export interface BalancedPart extends PlacedMass {
  readonly gearId: string;
  readonly name: string;
}

/** What a change of battery does to the balance. */
export interface BatteryShift {
  readonly batteryId: string;
  readonly battery: string;
  readonly spare: string;
  readonly massG: number;
  /** How far the centre of mass moves forward. */
  readonly alongMm: number;
}

/** How a rig stands on its support. Everything follows from what is placed; what is not is named. */
export interface RigBalance {
  readonly placed: readonly BalancedPart[];
  /** Carried elsewhere: grams on a person, none on the support. */
  readonly elsewhere: readonly { readonly gearId: string; readonly name: string; readonly massG: number | undefined }[];
  readonly missing: readonly { readonly gearId: string; readonly name: string; readonly what: 'mass' | 'place' }[];
  /** Placed parts whose height nobody gave: no height of the whole and no angle is told then. */
  readonly heightUnknown: readonly string[];
  readonly centre: CentreOfMass | undefined;
  readonly momentNm: number | undefined;
  /** On a tripod or slider whose feet are known. */
  readonly tipping: Tipping | undefined;
  readonly counterweightG: number | undefined;
  readonly ballastG: number | undefined;
  readonly payloadShare: number | undefined;
  readonly shifts: readonly BatteryShift[];
}

/**
 * The parts of a rig that weigh on its support, without spares; cables only where somebody placed them.
 *
 * @example partsToPlace(rig, gear).length // 3
 */
export function partsToPlace(rig: Rig, gear: ReadonlyMap<string, Gear>): readonly string[] {
  const placed = new Set(rig.balance?.places.map(({ gearId }) => gearId));
  const ids = [
    ...rig.devices.map(({ gearId }) => gearId),
    ...rig.links.flatMap(({ from, to, cableId }) => [from.gearId, ...(cableId === undefined ? [] : [cableId]), to.gearId]),
  ];
  return [...new Set(ids)].filter((id) => {
    const kind = gear.get(id)?.kind;
    return kind !== undefined && kind !== 'supply' && (kind !== 'cable' || placed.has(id));
  });
}

/**
 * Centre of mass, tipping, counterweight, payload and what a swap shifts; undefined while how the rig stands is not entered.
 * Nothing is assumed: a part without a mass or a place is left out, and named in `missing`.
 */
export function rigBalance(rig: Rig, gear: ReadonlyMap<string, Gear>): RigBalance | undefined {
  const { balance } = rig;
  if (!balance) return undefined;
  const placed: BalancedPart[] = [];
  const elsewhere: { gearId: string; name: string; massG: number | undefined }[] = [];
  const missing: { gearId: string; name: string; what: 'mass' | 'place' }[] = [];
  const heightUnknown: string[] = [];
  for (const gearId of partsToPlace(rig, gear)) {
    const body = gear.get(gearId)!;
    const name = gearTitle(body);
    const place = balance.places.find((one) => one.gearId === gearId);
    const seat = rig.mounts?.find((one) => one.gearId === gearId)?.place;
    // in a pocket, on a belt or a leg it weighs on somebody, whether or not that was said twice
    if (place?.elsewhere || (place?.alongMm === undefined && seat && AWAY_FROM_CAMERA.has(seat)))
      elsewhere.push({ gearId, name, massG: body.massG });
    else if (place?.alongMm === undefined) missing.push({ gearId, name, what: 'place' });
    else if (body.massG === undefined) missing.push({ gearId, name, what: 'mass' });
    else {
      if (place.heightMm === undefined) heightUnknown.push(name);
      placed.push({ gearId, name, massG: body.massG, alongMm: place.alongMm, heightMm: place.heightMm ?? 0 });
    }
  }
  const centre = centreOfMass(placed);
  const { support, footFrontMm, footBackMm, plateHeightMm, counterweightMm, payloadG } = balance;
  const stands = support === 'tripod' || support === 'slider';
  const tips =
    centre && stands && footFrontMm !== undefined && footBackMm !== undefined
      ? tipping(centre, { footFrontMm, footBackMm, plateHeightMm: heightUnknown.length === 0 ? plateHeightMm : undefined })
      : undefined;
  return {
    placed,
    elsewhere,
    missing,
    heightUnknown,
    centre,
    momentNm: centre && momentNm(centre),
    tipping: tips,
    counterweightG: centre && counterweightMm !== undefined ? counterweightG(centre, counterweightMm) : undefined,
    ballastG: centre && tips && ballastG(centre, tips.edge === 'front' ? footFrontMm! : footBackMm!, SAFE_MARGIN),
    payloadShare: centre && payloadG !== undefined ? centre.massG / payloadG : undefined,
    shifts: centre ? shiftsOf(rig, gear, placed, centre) : [],
  };
}

function shiftsOf(rig: Rig, gear: ReadonlyMap<string, Gear>, placed: readonly BalancedPart[], centre: CentreOfMass): BatteryShift[] {
  return (rig.batteries ?? []).flatMap(({ gearId, spareIds = [] }) => {
    const own = placed.find((part) => part.gearId === gearId);
    return [...new Set(spareIds)].flatMap((spareId): BatteryShift[] => {
      const spare = gear.get(spareId);
      if (!own || spare?.massG === undefined) return [];
      const after = centreOfMass(placed.map((part) => (part === own ? { ...part, massG: spare.massG! } : part)))!;
      return [
        {
          batteryId: gearId,
          battery: own.name,
          spare: gearTitle(spare),
          massG: spare.massG - own.massG,
          alongMm: after.alongMm - centre.alongMm,
        },
      ];
    });
  });
}
