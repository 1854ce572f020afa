import { battery, BY_DTAP, device, DTAP, rigOf } from '../../../testing/rig-parts';
import { assessModel } from '../../answer/assess';
import { rigModel } from '../../answer/rig-model';
import { criteriaOf } from '../../feed/criteria';
import type { Device } from '../../gear/gear';
import type { Rig } from '../../rig/drawn/rig';
import { tell } from '../../words/en/findings/tell';

const COVERED: Device['covered'] = [
  { place: 'behind', what: 'screen' },
  { place: 'behind', what: 'port', portId: 'in' },
  { place: 'behind', what: 'port', portId: 'mains' },
  { place: 'under', what: 'thread' },
];
const body: Device = {
  ...device(),
  inputs: [...device().inputs, { takes: 'window', id: 'mains', name: 'DC inlet', connector: { type: 'barrel' }, minV: 7, maxV: 9 }],
  covered: COVERED,
  carries: [{ place: 'top', maxG: 500 }],
};

function found(mount: Partial<NonNullable<Rig['mounts']>[number]> | undefined, massG?: number) {
  const { rig, gear } = rigOf({ ...BY_DTAP, device: body, battery: battery(DTAP, 4, 50, massG === undefined ? {} : { massG }) });
  const gearId = rig.links[0]!.from.gearId;
  const mounted: Rig = { ...rig, ...(mount && { mounts: [{ gearId, place: 'behind', ...mount }] }) };
  const model = rigModel(mounted, gear);
  const answer = assessModel(model);
  return {
    told: answer.findings
      .filter(({ code }) => code.startsWith('mount'))
      .map(({ code, verdict, facts }) => [code, verdict, (facts as { what?: string }).what]),
    criteria: criteriaOf(model.resolved, answer),
    answer,
  };
}

describe('where things sit', () => {
  it('is not judged while nobody says it', () => expect(found(undefined).told).toEqual([]));

  it('covers what the device says of that place; a port in use is a stop', () => {
    expect(found({}).told.sort()).toEqual([
      ['mount-covers', 'caution', 'port'],
      ['mount-covers', 'caution', 'screen'],
      ['mount-covers', 'stop', 'port'],
    ]);
    expect(found({ place: 'under' }).told).toEqual([['mount-covers', 'caution', 'thread']]);
    expect(found({ place: 'rods' }).told).toEqual([]);
  });

  it('on a hinge frees what one looks at, and no port', () => {
    expect(found({ hinged: true }).told.map(([, , what]) => what)).toEqual(['port', 'port']);
    expect(found({ place: 'under', hinged: true }).told).toHaveLength(1);
  });

  it('is carried by the mount, or not, or nobody knows', () => {
    expect(found({ place: 'top' }, 400).told).toEqual([]);
    expect(found({ place: 'top' }, 640).told).toEqual([['mount-overloaded', 'stop', undefined]]);
    expect(found({ place: 'top' }).told).toEqual([['mount-unweighed', 'unknown', undefined]]);
    expect(found({ place: 'top' }).answer.verdict).not.toBe('good');
  });

  it('decides what weighs on the camera', () => {
    const on = (place: NonNullable<Rig['mounts']>[number]['place']) => found({ place }, 400).criteria.massOnG;
    expect(on('rods') - on('pocket')).toBe(400);
  });

  it('says what to take off for mains, and nothing of taking off what is fed there now', () => {
    const remedies = found({})
      .answer.findings.filter(({ code }) => code === 'mount-covers')
      .map((one) => tell(one))
      .filter(({ sentence }) => /DC inlet|Bay/.test(sentence))
      .map(({ sentence, remedy }) => [sentence, remedy]);
    expect(remedies).toEqual([
      [
        'Battery behind it covers Bay of Camera, which is in use in this rig.',
        'Use an angled plug or a longer lead, or put it in another place.',
      ],
      ['Battery behind it covers DC inlet of Camera.', 'Take Battery off to plug in there, on mains too; or put it in another place.'],
    ]);
  });
});
