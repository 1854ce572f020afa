import type { BagTrouble, LeftBecause, Placed } from '../../../travel/bags';
/**
 * What lies where it must not.
 *
 * @example sayBagTrouble({ is: 'spare-in-hold', id: 'v1', title: 'V1' }) // 'V1 is a spare battery in the hold: it belongs in the cabin, terminals covered.'
 */
export function sayBagTrouble({ is, title }: BagTrouble): string {
  switch (is) {
    case 'spare-in-hold':
      return `${title} is a spare battery in the hold: it belongs in the cabin, terminals covered.`;
    case 'never-in-plane':
      return `${title} may not fly: send it by road, or leave it.`;
    case 'not-in-a-bag':
      return `${title} is in no bag.`;
  }
}

/**
 * Why things found no bag, as a person would say it.
 *
 * @example sayLeft('no-room') // 'No bag that may take it has room'
 */
export function sayLeft(why: LeftBecause): string {
  switch (why) {
    case 'no-such-bag':
      return 'No bag goes that way';
    case 'no-room':
      return 'No bag that may take it has room';
    case 'nobody':
      return 'Nobody may carry one more of its sort in the cabin';
  }
}

/**
 * Why a thing lies where it lies, as a person would say it.
 *
 * @example sayPlaced({ is: 'by-road' }) // 'may not fly'
 */
export function sayPlaced(placed: Placed): string {
  switch (placed.is) {
    case 'by-hand':
      return 'put here by hand';
    case 'cabin':
      return placed.person === undefined ? 'spare battery: in the cabin' : `spare battery: in the cabin, carried by ${placed.person}`;
    case 'by-road':
      return 'may not fly';
    case 'apart':
      return `apart from ${placed.from}, whose place it takes`;
    case 'with-rig':
      return `with the rest of ${placed.rig}`;
    case 'room':
      return 'where there is room';
  }
}
