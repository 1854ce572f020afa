import { issue } from '../../issue';
import type { Issue } from '../../issue';
import type { Day } from '../shape';
import { isZone } from './clock';
import { missingOfSun } from './place-power';

/**
 * What a day of the right shape says that cannot be: times that go back, places and zones that nobody knows.
 *
 * @example dayIssues({ ...day, blocks: [{ ...block, toMin: block.fromMin }] })[0].message // 'blocks.0.toMin: expected more than 1860 min; got 1860.'
 */
export function dayIssues(day: Day): readonly Issue[] {
  const issues: Issue[] = [];
  const places = new Set((day.places ?? []).map(({ id }) => id));
  const rigs = new Set(day.rigIds);
  const place = (path: string, placeId: string | undefined): void => {
    if (placeId !== undefined && !places.has(placeId))
      issues.push(issue(path, 'no-such-place', 'the identifier of a place of this day', placeId));
  };
  if (day.zone !== undefined && !isZone(day.zone)) issues.push(issue('/zone', 'no-such-zone', 'a time zone such as UTC', day.zone));
  day.blocks.forEach((block, index) => {
    if (block.toMin <= block.fromMin)
      issues.push(issue(`/blocks/${index}/toMin`, 'ends-before-it-begins', `more than ${block.fromMin} min`, block.toMin));
    if (!rigs.has(block.rigId)) issues.push(issue(`/blocks/${index}/rigId`, 'no-such-rig', 'a rig of this day', block.rigId));
    place(`/blocks/${index}/placeId`, block.placeId);
    const other = day.blocks.find(
      (one) => one !== block && one.rigId === block.rigId && one.fromMin < block.toMin && block.fromMin < one.toMin,
    );
    if (other && day.blocks.indexOf(other) < index)
      issues.push(issue(`/blocks/${index}/fromMin`, 'overlaps', 'a rig in one block at a time', block.fromMin));
  });
  day.places?.forEach((one, index) => {
    for (const field of missingOfSun(one))
      issues.push(issue(`/places/${index}/${field}`, 'figure-missing', 'a figure of the sun there; none is counted without it', undefined));
  });
  const kinds = new Set((day.kinds ?? []).map(({ id }) => id));
  day.blocks.forEach(({ ownKindId }, index) => {
    if (ownKindId !== undefined && !kinds.has(ownKindId))
      issues.push(issue(`/blocks/${index}/ownKindId`, 'no-such-kind', 'the identifier of an own kind of this day', ownKindId));
  });
  (day.charges ?? []).forEach(({ fromMin, toMin }, index) => {
    if (toMin <= fromMin) issues.push(issue(`/charges/${index}/toMin`, 'ends-before-it-begins', `more than ${fromMin} min`, toMin));
  });
  (day.chargers ?? []).forEach(({ placeId }, index) => place(`/chargers/${index}/placeId`, placeId));
  const lots = new Set((day.cards ?? []).map(({ id }) => id));
  (day.cards ?? []).forEach(({ rigId, count, full = 0, copyPlaceId }, index) => {
    if (!rigs.has(rigId)) issues.push(issue(`/cards/${index}/rigId`, 'no-such-rig', 'a rig of this day', rigId));
    if (full > count) issues.push(issue(`/cards/${index}/full`, 'too-many', `no more than the ${count} cards there are`, full));
    place(`/cards/${index}/copyPlaceId`, copyPlaceId);
  });
  (day.cardChanges ?? []).forEach(({ cardsId }, index) => {
    if (!lots.has(cardsId))
      issues.push(issue(`/cardChanges/${index}/cardsId`, 'no-such-cards', 'the identifier of recording media of this day', cardsId));
  });
  (day.hands ?? []).forEach(({ placeId }, index) => place(`/hands/${index}/placeId`, placeId));
  return issues;
}
