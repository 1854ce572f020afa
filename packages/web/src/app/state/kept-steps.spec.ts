import type { Gear } from '@viaggio/core/gear';
import type { Step } from './items';
import { bodiesAfter, keepSteps, takeKeptSteps } from './kept-steps';

const lead = (name: string): Gear => ({ kind: 'cable', name, ends: { source: { type: 'd-tap' }, load: { type: 'd-tap' } } });
const edit = (id: string, before: string, after: string): Step => ({
  changes: [{ kind: 'gear', id, before: lead(before), after: lead(after) }],
  field: 'name',
  at: 0,
});
const there = (bodies: Readonly<Record<string, string>>) => (_kind: string, id: string) => (id in bodies ? lead(bodies[id]!) : undefined);

beforeEach(() => sessionStorage.clear());

describe('steps over a reload', () => {
  it('are closed by it: what is done at once after it is a step of its own', () => {
    keepSteps({ past: [{ ...edit('a', '1', '2'), at: Date.now() }], future: [] });
    expect(takeKeptSteps(there({ a: '2' })).past).toEqual([edit('a', '1', '2')]);
  });

  it('come back once, both ways, where everything is as they left it', () => {
    const past = [edit('a', '1', '2'), edit('b', 'x', 'y'), edit('a', '2', '3')];
    const future = [edit('a', '4', '5'), edit('a', '3', '4')];
    keepSteps({ past, future });
    expect(takeKeptSteps(there({ a: '3', b: 'y' }))).toEqual({ past, future });
    expect(takeKeptSteps(there({ a: '3', b: 'y' }))).toEqual({ past: [], future: [] });
  });

  it('end where somebody else has changed the thing', () => {
    const past = [edit('a', '1', '2'), edit('b', 'x', 'y'), edit('a', '2', '3')];
    keepSteps({ past, future: [edit('b', 'y', 'z')] });
    expect(takeKeptSteps(there({ a: '3', b: 'changed' }))).toEqual({ past: past.slice(2), future: [] });
  });

  it('take back what was made and what was deleted', () => {
    const made: Step = { changes: [{ kind: 'gear', id: 'a', after: lead('1') }], field: 'add', at: 0 };
    const gone: Step = { changes: [{ kind: 'gear', id: 'b', before: lead('1') }], field: 'delete', at: 0 };
    keepSteps({ past: [made, gone], future: [] });
    expect(takeKeptSteps(there({ a: '1' })).past).toEqual([made, gone]);
    keepSteps({ past: [made, gone], future: [] });
    expect(takeKeptSteps(there({ a: '1', b: '1' })).past).toEqual([]);
  });

  it('see an edit that goes on as done', () => {
    const edits = [{ kind: 'gear' as const, id: 'a', body: lead('2') }];
    keepSteps({ past: [edit('a', '1', '2')], future: [] });
    expect(takeKeptSteps(bodiesAfter({}, edits)).past).toHaveLength(1);
  });

  it('let the oldest go where there are many', () => {
    const past = Array.from({ length: 100 }, (_, place) => edit('a', String(place), String(place + 1)));
    keepSteps({ past, future: [] });
    expect(takeKeptSteps(there({ a: '100' })).past).toEqual(past.slice(-60));
  });
});
