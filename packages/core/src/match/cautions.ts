import { say } from './figure';
import { isA } from './rig-graph';
import type { RigGraph } from './rig-graph';

/** The usual cautions that belong to a rig, once each, in the order of the acts they concern. */
export function cautionsFor({ joints, sources, rig }: RigGraph): readonly string[] {
  const cautions = new Set<string>();
  for (const { from } of joints) {
    if (!isA(from, 'adapter')) continue;
    const { voltageV } = from.gear.output;
    const volts = voltageV === undefined ? 'its output' : say(voltageV, 'V');
    cautions.add(
      `Before the adapter goes into the camera, check ${volts} and the polarity with a meter. Let the door close over its cable.`,
    );
  }
  for (const source of sources) {
    if (isA(source, 'supply') && source.gear.form === 'mains')
      cautions.add('Mains wiring is for licensed people; keep plugs and supplies dry.');
    if (!isA(source, 'battery')) continue;
    const { form, chemistry, cell, chargeV } = source.gear;
    if (form === 'v-mount')
      cautions.add('A V-mount battery can weld metal: keep its contacts covered, never short them, never open or drill it.');
    if (chemistry === 'agm')
      cautions.add('A lead-acid battery can weld metal: fuse it at its plus, cover its terminals, never charge it in a closed box.');
    if (cell)
      cautions.add(
        'A pack of your own making is at your own risk: protection board, fuse and low-voltage alarm; never charge it unattended.',
      );
    if (chargeV !== undefined) cautions.add('Switch the rig off and disconnect it before charging in place.');
  }
  if ((rig.temperatureC ?? 25) < 0) cautions.add('Below 0 °C use lithium batteries, but do not charge them until they are warm.');
  cautions.add('Where the maker’s instructions or local rules differ from this, follow them.');
  return [...cautions];
}
