import { LOW_WATER } from '@viaggio/core/demo';
import type { Rig } from '@viaggio/core/gear';
import type { SavedItems } from '../api/api';
import { leaveBehind, missingEdits } from './left-behind';

const RIG = LOW_WATER.rigs[0]!.body;
const MINE: Rig = { ...RIG, wantedMin: 80 };
const loaded = (body: Rig, revision: number): SavedItems => ({
  gear: [],
  rigs: [{ id: 'r', revision, body, updatedAt: '' }],
});
const left = { kind: 'rigs', id: 'r', revision: 3, body: MINE } as const;

describe('an edit that was left behind', () => {
  beforeEach(() => sessionStorage.clear());

  it('is missing where the state before it comes back, once', () => {
    leaveBehind([left]);
    expect(missingEdits(loaded(RIG, 3))).toMatchObject([{ edit: left, loaded: { revision: 3 }, isStale: false }]);
    expect(missingEdits(loaded(RIG, 3))).toEqual([]);
  });

  it('has arrived where the same state is there, its fields in any order', () => {
    leaveBehind([left]);
    const { name, ...rest } = MINE;
    expect(missingEdits(loaded({ ...rest, name }, 4))).toEqual([]);
  });

  it('is stale where somebody saved another state since', () => {
    leaveBehind([left]);
    expect(missingEdits(loaded({ ...RIG, wantedMin: 10 }, 4))).toMatchObject([{ isStale: true }]);
  });

  it('is no conflict with an earlier state of its own that arrived meanwhile', () => {
    const onItsWay = { ...RIG, wantedMin: 70 };
    leaveBehind([{ ...left, onItsWay }]);
    expect(missingEdits(loaded(onItsWay, 4))).toMatchObject([{ edit: { body: MINE }, isStale: false }]);
  });

  it('is kept up where the state that is there may still be overwritten by an earlier one on its way', () => {
    leaveBehind([{ ...left, onItsWay: { ...RIG, wantedMin: 70 } }]);
    expect(missingEdits(loaded(MINE, 3))).toMatchObject([{ edit: { body: MINE }, isStale: false }]);
  });

  it('has nothing to go to where its item is gone', () => {
    leaveBehind([left]);
    expect(missingEdits({ gear: [], rigs: [] })).toEqual([]);
  });

  it('is forgotten when the page is left with everything saved', () => {
    leaveBehind([left]);
    leaveBehind([]);
    expect(missingEdits(loaded(RIG, 3))).toEqual([]);
  });

  it('that does not fit into what the browser keeps is not worth a failure', () => {
    const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('QuotaExceededError');
    });
    expect(() => leaveBehind([left])).not.toThrow();
    full.mockRestore();
  });
});
