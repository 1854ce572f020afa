/** One change to a rig that takes a finding away, by what it does; names are as a person tells pieces of gear apart. */
export type RemedyAct =
  | { readonly act: 'use-output'; readonly output: string; readonly part: string }
  | { readonly act: 'use-cable'; readonly cable: string }
  | { readonly act: 'use-part'; readonly part: string }
  | { readonly act: 'turn-down'; readonly device: string; readonly scale: number }
  | { readonly act: 'change-mode'; readonly device: string; readonly mode: string | undefined }
  | { readonly act: 'charge'; readonly battery: string }
  | { readonly act: 'carry'; readonly spares: readonly string[] }
  | { readonly act: 'feed'; readonly device: string; readonly feed: string };

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
