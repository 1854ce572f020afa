import type { Caution } from '../../../rig/resolved';
import { say } from '../say';

/** The usual cautions, beside the acts they concern. */
export function sayCaution(caution: Caution): string {
  switch (caution.of) {
    case 'adapter': {
      const { outputV } = caution;
      const volts = outputV === undefined ? 'its output' : say(outputV, 'V');
      return `Before the adapter goes into the camera, check ${volts} and the polarity with a meter. Let the door close over its cable.`;
    }
    case 'mains':
      return 'Mains wiring is for licensed people; keep plugs and supplies dry.';
    case 'v-mount':
      return 'A V-mount battery can weld metal: keep its contacts covered, never short them, never open or drill it.';
    case 'lead-acid':
      return 'A lead-acid battery can weld metal: fuse it at its plus, cover its terminals, never charge it in a closed box.';
    case 'own-pack':
      return 'A pack of your own making is at your own risk: protection board, fuse and low-voltage alarm; never charge it unattended.';
    case 'charge-in-place':
      return 'Switch the rig off and disconnect it before charging in place.';
    case 'cold':
      return 'Below 0 °C use lithium batteries, but do not charge them until they are warm.';
    case 'instructions':
      return 'Where the maker’s instructions or local rules differ from this, follow them.';
  }
}
