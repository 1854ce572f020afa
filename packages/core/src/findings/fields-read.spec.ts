import { fieldOfGear, leafFields } from '../../testing/leaf-fields';
import { judge } from '../../testing/rig-builder';
import type { Built } from '../../testing/rig-builder';
import { LIMIT_TRIALS } from '../../testing/trials/limits';
import { TIME_TRIALS } from '../../testing/trials/times';
import { WORD_TRIALS } from '../../testing/trials/words';
import { gearShape } from '../gear/gear';
import { rigShape } from '../rig/drawn/rig';
import { FIELDS_READ } from './fields-read';

const TRIALS = [...LIMIT_TRIALS, ...WORD_TRIALS];
const codesIn = (built: Built) => judge(built).findings.flatMap(({ code, verdict }) => (verdict === 'good' ? [] : [code]));

describe('every figure counts', () => {
  const fields = new Set(
    [...leafFields(gearShape).flatMap((path) => fieldOfGear(path) ?? []), ...leafFields(rigShape, 'rig')].filter(
      (path) => !path.startsWith('rig.unknown'),
    ),
  );

  it('every number, choice and state of gear and rigs is read by a finding, or says why by none', () => {
    expect([...fields].filter((field) => !(field in FIELDS_READ))).toEqual([]);
    expect(Object.keys(FIELDS_READ).filter((field) => !fields.has(field))).toEqual([]);
    for (const reading of Object.values(FIELDS_READ)) expect(reading.length).toBeGreaterThan(0);
  });

  it('what is said to be read is tried', () => {
    const tried = new Set([...TRIALS.map(([field]) => field), ...TIME_TRIALS.map(([field]) => field)]);
    const read = Object.entries(FIELDS_READ).flatMap(([field, reading]) => (typeof reading === 'string' ? [] : [field]));
    expect(read.filter((field) => !tried.has(field))).toEqual([]);
    expect([...tried].filter((field) => typeof FIELDS_READ[field] !== 'object')).toEqual([]);
  });

  it.each(TRIALS)('%s: sound on one side, told on the other', (field, sound, breaks) => {
    const reading = FIELDS_READ[field]!;
    const read = (built: Built) => codesIn(built).filter((code) => reading.includes(code));
    expect(read(sound)).toEqual([]);
    expect(read(breaks)).not.toEqual([]);
    expect(judge(breaks).verdict === 'good' && read(breaks).every((code) => !MAY_BE_NOTES.has(code))).toBe(false);
  });

  it.each(TIME_TRIALS)('%s: changes how long it runs', (_field, longer, shorter) => {
    const [long, short] = [longer, shorter].map((built) => judge(built).plannedMin!);
    expect(long).toBeGreaterThan(short! * 1.0005);
    const asked = (built: Built): readonly string[] => codesIn({ ...built, rig: { ...built.rig, wantedMin: (long! + short!) / 2 } });
    expect(asked(longer)).not.toContain('too-short');
    expect(asked(shorter).some((code) => code === 'too-short' || code === 'lasts-into-reserve')).toBe(true);
  });
});

/** What is only to be known on the day leaves a rig good. */
const MAY_BE_NOTES: ReadonlySet<string> = new Set(['gauge-blind', 'no-cushion', 'feature-lost']);
