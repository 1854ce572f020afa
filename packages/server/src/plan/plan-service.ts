import { PLAN_FORMAT, PLAN_VERSION, putBack } from '@viaggio/core';
import type { Aside, Plan, Rig } from '@viaggio/core';
import type { Database } from '../db/database';
import type { ItemService, Saved } from '../items/item-service';
import { requireGear } from './references';

/** What of a document stands beside its gear and rigs. */
interface Rest {
  readonly name?: string | undefined;
  readonly days?: readonly unknown[] | undefined;
  readonly log?: readonly unknown[] | undefined;
  readonly aside: Aside;
}

/** Takes plan documents in, and gives out everything kept here as one. */
export class PlanService {
  constructor(
    private readonly database: Database,
    private readonly gear: ItemService,
    private readonly rigs: ItemService,
  ) {}

  /** Adds what a document holds: all of it, or none. Throws `id-taken`, `invalid-fields`. */
  async add(plan: Plan, aside: Aside): Promise<{ gear: readonly Saved[]; rigs: readonly Saved[] }> {
    return this.database.sequelize.transaction(async (transaction) => {
      const gear = await this.gear.add(withAside('gear', plan.gear, aside), 'own', transaction);
      const bodies = plan.rigs.map(({ body }, index): { path: string; rig: Rig } => ({ path: `/rigs/${index}/body`, rig: body }));
      await requireGear(bodies, this.gear, transaction);
      const rigs = await this.rigs.add(withAside('rigs', plan.rigs, aside), 'own', transaction);
      const beside = aside.filter(({ path }) => !/^\/(gear|rigs)\//.test(path));
      const rest: Rest = { name: plan.name, days: plan.days, log: plan.log, aside: beside };
      if (plan.name !== undefined || plan.days || plan.log || beside.length > 0)
        await this.database.planRests.create({ body: rest, importedAt: new Date() }, { transaction });
      return { gear, rigs };
    });
  }

  /** Everything that is kept, as one document: what was imported comes out with all its fields. */
  async export(): Promise<object> {
    const [gear, rigs, rests] = await Promise.all([
      this.gear.list(),
      this.rigs.list(),
      this.database.planRests.findAll({ order: [['id', 'ASC']] }),
    ]);
    const bodies = rests.map(({ body }) => body as Rest);
    const name = bodies.map((rest) => rest.name).filter((one) => one !== undefined).at(-1); // prettier-ignore
    const document = {
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      ...(name !== undefined && { name }),
      gear: gear.map(itemOf),
      rigs: rigs.map(itemOf),
      days: bodies.flatMap(({ days = [] }) => days),
      log: bodies.flatMap(({ log = [] }) => log),
    };
    return bodies.reduce<object>((whole, { aside }) => putBack(whole, aside) as object, document);
  }
}

/** Items with what their shape does not know kept in their field for it. */
function withAside(kind: 'gear' | 'rigs', items: Plan['gear'] | Plan['rigs'], aside: Aside): { id: string; body: object }[] {
  return items.map(({ id, body }, index) => {
    const at = `/${kind}/${index}/`;
    const own = aside.filter(({ path }) => path.startsWith(at)).map(({ path, value }) => ({ path: `/${path.slice(at.length)}`, value }));
    return { id, body: own.length === 0 ? body : { ...body, unknown: own } };
  });
}

function itemOf({ id, body }: Saved): object {
  const { unknown, ...known } = body as { unknown?: Aside };
  return unknown === undefined ? { id, body: known } : (putBack({ id, body: known }, unknown) as object);
}
