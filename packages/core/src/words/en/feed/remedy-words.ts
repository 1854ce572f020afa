import type { Remedy, RemedyAct } from '../../../feed';

/**
 * What a press would do.
 *
 * @example sayRemedy({ act: 'carry', spares: ['V2: Holmvik 95', 'V3: Holmvik 143'] }) // 'Carry V2: Holmvik 95 and V3: Holmvik 143 as spares'
 */
export function sayRemedy(remedy: RemedyAct): string {
  switch (remedy.act) {
    case 'use-output':
      return `Use ${remedy.output} of ${remedy.part}`;
    case 'use-cable':
      return `Use the cable ${remedy.cable}`;
    case 'use-part':
      return `Use ${remedy.part}`;
    case 'turn-down':
      return `Turn ${remedy.device} down to ${Math.round(remedy.scale * 100)} %`;
    case 'change-mode':
      return `Put ${remedy.device} into ${remedy.mode ?? 'its usual mode'}`;
    case 'charge':
      return `Charge ${remedy.battery} to 100 %`;
    case 'carry':
      return `Carry ${remedy.spares.join(' and ')} as ${remedy.spares.length === 1 ? 'a spare' : 'spares'}`;
    case 'feed':
      return `Feed ${remedy.device} by ${remedy.feed}`;
  }
}

/** A remedy with what a press would do. */
export interface ToldRemedy extends Omit<Remedy, 'act'> {
  readonly title: string;
}

export function tellRemedy({ act, ...rest }: Remedy): ToldRemedy {
  return { title: sayRemedy(act), ...rest };
}
