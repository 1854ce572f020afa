import type { Chain } from './chain';
import { say } from './figure';

/** The usual cautions that belong to this feed, in the order of the acts they concern. */
export function cautionsFor({ adapter, battery, rig }: Chain): readonly string[] {
  const cautions: string[] = [];
  if (adapter) {
    const volts = adapter.output.voltageV === undefined ? 'its output' : say(adapter.output.voltageV, 'V');
    cautions.push(
      `Before the adapter goes into the camera, check ${volts} and the polarity with a meter. Let the door close over its cable.`,
    );
  }
  if (battery.form === 'v-mount')
    cautions.push('A V-mount battery can weld metal: keep its contacts covered, never short them, never open or drill it.');
  if ((rig.temperatureC ?? 25) < 0) cautions.push('Below 0 °C use lithium batteries, but do not charge them until they are warm.');
  cautions.push('Where the maker’s instructions or local rules differ from this, follow them.');
  return cautions;
}
