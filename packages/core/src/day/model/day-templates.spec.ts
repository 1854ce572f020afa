import { LOW_WATER_DAY } from '../../demo/low-water-day';
import { TEMPLATE_BLOCK_NAMES } from '../../words/en/day/template-words';
import { dayShape } from '../shape/day';
import { dayIssues } from './day-issues';
import { DAY_TEMPLATES, dayLike, templateBlocks } from './day-templates';

const RIGS = ['0d0c0000-0000-4000-8000-000000000901', '0d0c0000-0000-4000-8000-000000000902'];
let ids = 0;
const newId = (): string => `0d0c0000-0000-4000-8000-${String(++ids).padStart(12, '0')}`;

describe('templates of a day', () => {
  it.each(DAY_TEMPLATES.map((template) => [template.id, template] as const))('%s makes a sound day for every rig', (_, template) => {
    const date = '2026-03-28';
    const blocks = templateBlocks(template, TEMPLATE_BLOCK_NAMES, { date, zone: 'Europe/Berlin' }, RIGS, newId);
    expect(blocks).toHaveLength(2 * template.blocks.length);
    expect(dayIssues({ name: 'Day', date, zone: 'Europe/Berlin', days: 1, rigIds: RIGS, blocks })).toEqual([]);
    for (const { name } of blocks) expect(name!.length).toBeLessThanOrEqual(dayShape.fields.blocks.item.fields.name.of.maxLength);
  });

  it('can be another day: what was planned, charged and broken stays behind, blocks are new ones', () => {
    const { body } = LOW_WATER_DAY;
    const like = dayLike({ ...body, lost: [{ gearId: RIGS[0]!, atMin: 10 }], swaps: [], charges: [] }, 'Day 3', '2026-01-14', newId);
    expect(like).toMatchObject({ name: 'Day 3', date: '2026-01-14', places: body.places, hands: body.hands, chargers: body.chargers });
    expect(Object.keys(like)).not.toEqual(expect.arrayContaining(['swaps']));
    expect([like.swaps, like.charges, like.lost]).toEqual([undefined, undefined, undefined]);
    expect(like.batteries!.every(({ startCharge }) => startCharge === undefined)).toBe(true);
    const before = new Set(body.blocks.map(({ id }) => id));
    expect(like.blocks.some(({ id }) => before.has(id))).toBe(false);
    expect(like.blocks.map(({ name }) => name)).toEqual(body.blocks.map(({ name }) => name));
  });
});
