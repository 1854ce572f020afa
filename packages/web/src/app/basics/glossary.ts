/** A word of the field, explained where it stands. */
export interface Term {
  readonly term: string;
  readonly means: string;
  /** What fields and headings are called that it explains, beside its own name. */
  readonly labels?: readonly string[];
}

/** Words of the field, as the screens use them. */
export const TERMS: readonly Term[] = [
  {
    term: 'Watt-hours (Wh)',
    labels: ['Energy'],
    means: 'What a battery holds: volts × amp-hours. 14.4 V × 6.6 Ah = 95 Wh. The only figure that compares batteries of different volts.',
  },
  {
    term: 'Milliamp-hours (mAh)',
    means: 'Say nothing without the volts they are counted at. A bank counts its at its cells, 3.6 or 3.7 V, not at 5 V.',
  },
  {
    term: 'Draw',
    labels: ['Draws', 'Own draw', 'How the draw is known'],
    means: 'Watts that a device takes. Measured with a meter or by a run-down, or as the maker prints it.',
  },
  { term: 'V-mount', means: 'A battery of about 14.4 V behind the camera, with a D-tap and often USB.' },
  {
    term: 'D-tap',
    means:
      'A two-pole socket that passes on the battery’s own volts, 16.8 full to 12 empty. It says nothing about how much it carries: look for its amps.',
  },
  {
    term: 'Battery-shaped adapter',
    means:
      'Goes into the camera’s battery bay and takes power by a lead. The camera often shows a full battery through it until it stops dead: change by the clock.',
  },
  {
    term: 'Power Delivery (PD)',
    labels: ['Its PD profiles, as printed'],
    means: 'USB-C in which source and device agree on volts and amps. Where they find none in common there is 5 V, or nothing.',
  },
  {
    term: 'Agreed over USB-C',
    labels: ['Least watts agreed that it runs on'],
    means: 'Volts and amps that a Power Delivery source and its device agreed on, such as 15 V at 3 A.',
  },
  { term: 'Cut-off', means: 'Volts at which a battery’s protection, or a device, shuts down. What is left in it then is of no use there.' },
  { term: 'Reserve', labels: ['Reserve kept'], means: 'Charge you plan not to use. “Plan with” is the time with the reserve kept.' },
  { term: 'Plan with', means: 'The time until the first stop, the reserve kept.' },
  { term: 'In nine of ten days', means: 'Figures scatter: draws, cold, age. Of ten days nine last at least so long.' },
  { term: 'Swapped without a cut', means: 'A battery is changed while another, or a buffer, carries the rig on.' },
  { term: 'Rest voltage', means: 'Of a battery without load, after some minutes. It tells its charge roughly; under load it is lower.' },
  {
    term: 'Gauge',
    labels: ['The camera’s gauge shows', 'What the gauges show'],
    means: 'What a camera or a battery shows of the charge. Behind an adapter it may show full until the end.',
  },
  {
    term: 'Flies, on approval',
    labels: ['Flight'],
    means: 'In the cabin up to 100 Wh freely, to 160 Wh when the carrier agrees, not above. The carrier and the authority decide.',
  },
  { term: 'Health', means: 'What a battery still holds of its label. Below 70 % it is usually kept for what may stop.' },
  { term: 'Segment', labels: ['Segments'], means: 'A steady part of a recording: one mode of the device.' },
  {
    term: 'Joint',
    means: 'Where two parts meet and a probe can be held: a battery’s contacts, the end of a lead, an adapter’s battery side.',
  },
  { term: 'OL', means: 'Over the range: what a meter shows where there is no connection, in ohms.' },
  { term: 'Balance lead', means: 'Thin wires to each group of a pack: by them the groups are measured and charged evenly.' },
  { term: 'Unattended', means: 'A rig that runs by itself for days, with a panel, a timer, or mains.' },
  {
    term: 'Approach',
    labels: ['Approaches'],
    means: 'A way to feed a rig: one battery for all, each device its own, and what lies between. Each costs something else.',
  },
  {
    term: 'Cells in series',
    labels: ['Cells in series'],
    means: 'Their volts add up: four lithium cells are about 14.4 V, 16.8 V full. The number is often printed as 4S.',
  },
  {
    term: 'Resistance',
    labels: ['Resistance', 'Resistance, measured'],
    means: 'What makes volts sag under load: of a battery, a lead and its contacts together. Cold and age raise it.',
  },
  {
    term: 'Wire size',
    labels: ['Size', 'Wire'],
    means: 'In mm² or AWG; a smaller AWG number is a thicker wire. Thin and long loses volts, and carries fewer amps.',
  },
  {
    term: 'Needs at least',
    labels: ['Needs at least'],
    means: 'Below these a device shuts down or will not start, however much is left in the battery.',
  },
  {
    term: 'Shots a charge',
    labels: ['Shots a charge'],
    means: 'As a maker counts them: at a set pace, with screen and standby in it. At another pace a shot takes more or less.',
  },
  {
    term: 'Peak',
    labels: ['Peak', 'Peak at start-up or shutter'],
    means: 'Watts for some thousandths of a second, when a device starts or moves a motor. A port can trip on it though the draw is low.',
  },
  { term: 'Efficiency', labels: ['Efficiency'], means: 'Of the watts that go in, the share that comes out. What is lost becomes heat.' },
  {
    term: 'Bridges a swap',
    labels: ['Bridges a swap for', 'Bridges a swap'],
    means: 'How long a plate, or a battery inside, carries the rig while the other battery is changed.',
  },
  {
    term: 'Crew hours',
    labels: ['Somebody is there to move batteries'],
    means: 'When somebody can change or charge a battery at a place. Nothing is moved outside them.',
  },
  {
    term: 'Top-up',
    labels: ['Top-ups in the breaks'],
    means: 'A battery that is put on a charger in a break and comes back before it is full.',
  },
];

const BY_LABEL: ReadonlyMap<string, Term> = new Map(TERMS.flatMap((one) => [one.term, ...(one.labels ?? [])].map((label) => [label, one])));

/** The word that a label needs explained, where it is one of the field’s. */
export function termOf(label: string): Term | undefined {
  return BY_LABEL.get(label);
}
